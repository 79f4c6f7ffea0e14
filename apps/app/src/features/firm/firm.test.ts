import { firmOf } from './firm';

it('keeps what the firm wrote, and drops what is not a picture or cannot be read', () => {
  const kept = {
    name: 'Fernleigh Heating',
    address: '2 Dyer Lane',
    phone: '555 0100',
    technician: 'R. Vale',
    logo: 'data:image/png;base64,AA',
  };
  expect(firmOf(JSON.stringify(kept))).toEqual(kept);
  expect(firmOf(JSON.stringify({ ...kept, logo: 'https://elsewhere/logo.png', phone: 5 }))).toEqual({ ...kept, logo: null, phone: '' });
  for (const bad of [null, '', '{ no', '[]']) expect(firmOf(bad)).toEqual({ name: '', address: '', phone: '', technician: '', logo: null });
});

import { Jumper, type Device, type DeviceOptions } from './jumper';

/** One product for all tests of a file and a fresh device for each; what the page complained of fails the test. */
export function freshDevices(options: DeviceOptions = {}): { readonly jumper: Jumper; readonly device: Device } {
  const at = {} as { jumper: Jumper; device: Device };
  beforeAll(async () => {
    at.jumper = await Jumper.start();
  });
  afterAll(() => at.jumper.stop());
  beforeEach(async () => {
    at.device = await at.jumper.device(options);
  });
  afterEach(async () => {
    expect(at.device.complaints).toEqual([]);
    await at.device.context.close();
  });
  return at;
}

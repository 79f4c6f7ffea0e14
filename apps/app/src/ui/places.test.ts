import { placeOf } from './places';

it.each([
  ['/', 'jobs'],
  ['/jobs/new', 'jobs'],
  ['/jobs/abc/test/precharge', 'jobs'],
  ['/circuits', 'circuits'],
  ['/tools', 'tools'],
  ['/tools/swing', 'tools'],
  ['/toolsmith', 'jobs'],
  ['/settings', 'settings'],
] as const)('%s belongs to %s', (path, place) => expect(placeOf(path)).toBe(place));
it('a job’s view that was come to from another place belongs there', () => {
  expect(placeOf('/jobs/abc/history', 'circuits')).toBe('circuits');
  expect(placeOf('/jobs/abc/history', 'nowhere')).toBe('jobs');
  expect(placeOf('/tools', 'circuits')).toBe('tools');
});

import { placeOf } from './places';

it.each([['/', 'jobs'], ['/jobs/new', 'jobs'], ['/jobs/abc/test/precharge', 'jobs'], ['/circuits', 'circuits'], ['/tools', 'tools'], ['/tools/swing', 'tools'], ['/toolsmith', 'jobs'], ['/settings', 'settings']] as const)('%s belongs to %s', (path, place) => expect(placeOf(path)).toBe(place));

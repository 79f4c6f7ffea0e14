/** The places of one job, under the thumb on a phone and along the header on a wide screen. */
export const JOB_PLACES = [
  { id: 'log', label: 'Log', path: '' },
  { id: 'tests', label: 'Tests', path: '/tests' },
  { id: 'work', label: 'Work', path: '/work' },
  { id: 'circuit', label: 'Circuit', path: '/circuit' },
  { id: 'record', label: 'Record', path: '/record' },
] as const;
export type JobPlaceId = (typeof JOB_PLACES)[number]['id'];

/** Address of a place of a job. */
export const jobPlace = (jobId: string, place: JobPlaceId): string => `/jobs/${jobId}${JOB_PLACES.find((p) => p.id === place)!.path}`;

import { JobsScreen } from '../features/jobs/JobsScreen';

export default JobsScreen;

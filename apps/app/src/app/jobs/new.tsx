import { NewJobScreen } from '../../features/newJob/NewJobScreen';

export default NewJobScreen;

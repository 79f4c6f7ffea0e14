import { PartsScreen } from '../features/parts/PartsScreen';

export default PartsScreen;

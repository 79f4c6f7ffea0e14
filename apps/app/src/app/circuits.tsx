import { CircuitsScreen } from '../features/circuits/CircuitsScreen';

export default CircuitsScreen;

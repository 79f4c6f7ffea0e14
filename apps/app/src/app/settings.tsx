import { SettingsScreen } from '../features/settings/SettingsScreen';

export default SettingsScreen;

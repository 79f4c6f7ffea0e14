import { View, ScrollView } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Columns } from '../../ui/Columns';
import { Header } from '../../ui/Header';
import { Place } from '../../ui/Place';
import { Text } from '../../ui/Text';
import { useTheme, type ThemeChoice } from '../../ui/ThemeProvider';
import { FirmFields } from '../firm/FirmFields';
import { SyncBadge } from '../jobs/SyncBadge';
import type { Units } from '../units/units';
import { useUnits } from '../units/UnitsProvider';
import { VanParts } from '../van/VanParts';
import { Outbox } from './Outbox';

export function SettingsScreen() {
  const { choice, choose } = useTheme();
  const { units, choose: chooseUnits } = useUnits();
  return (
    <Place at="settings" inColumns>
      <Header title="Settings" subtitle="Of this device">
        <SyncBadge />
      </Header>
      <ScrollView className="flex-1" contentContainerClassName="gap-5 p-4">
        <FirmFields />
        <Columns lines="gap-y-5">
          <Choice<Units['pressure']>
            label="Pressure"
            value={units.pressure}
            onChange={(pressure) => chooseUnits({ ...units, pressure })}
            options={[
              { value: 'bar', label: 'bar' },
              { value: 'psi', label: 'psi' },
              { value: 'kPa', label: 'kPa' },
            ]}
          />
          <Choice<Units['temperature']>
            label="Temperature"
            value={units.temperature}
            onChange={(temperature) => chooseUnits({ ...units, temperature })}
            options={[
              { value: '°C', label: '°C' },
              { value: '°F', label: '°F' },
            ]}
          />
          <Choice<Units['volume']>
            label="Volume"
            value={units.volume}
            onChange={(volume) => chooseUnits({ ...units, volume })}
            options={[
              { value: 'L', label: 'L' },
              { value: 'US gal', label: 'US gal' },
              { value: 'Imp gal', label: 'Imp gal' },
            ]}
          />
          <Choice<Units['length']>
            label="Height and length"
            value={units.length}
            onChange={(length) => chooseUnits({ ...units, length })}
            options={[
              { value: 'm', label: 'm' },
              { value: 'ft', label: 'ft' },
            ]}
          />
          <Choice<Units['power']>
            label="Power"
            value={units.power}
            onChange={(power) => chooseUnits({ ...units, power })}
            options={[
              { value: 'kW', label: 'kW' },
              { value: 'BTU/h', label: 'BTU/h' },
            ]}
          />
          <Choice<ThemeChoice>
            label="Light"
            value={choice}
            onChange={choose}
            options={[
              { value: 'system', label: 'As the device' },
              { value: 'light', label: 'Light' },
              { value: 'dark', label: 'Dark' },
            ]}
          />
          <VanParts />
        </Columns>
        <View className="gap-2 border-t border-hair pt-4">
          <Text role="heading" aria-level={2} className="font-semibold text-lead">
            What waits to be sent
          </Text>
          <Outbox />
        </View>
      </ScrollView>
    </Place>
  );
}

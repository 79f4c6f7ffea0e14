import { View } from 'react-native';
import { Several } from '../../ui/Several';
import { Text } from '../../ui/Text';
import { PART_OPTIONS } from './partOptions';
import { sayVanParts, useVanParts } from './van';

/** What goes along in the van, touched once. */
export function VanParts() {
  const van = useVanParts();
  return (
    <View className="gap-2">
      <Several label="Parts in the van" options={PART_OPTIONS} value={van} onChange={sayVanParts} />
      <Text className="text-small text-ink2">
        {van.length > 0
          ? 'What is not in it has to be nearly certain before it is worth the trip.'
          : 'None said: every part counts as if it might be there.'}
      </Text>
    </View>
  );
}

import { View } from 'react-native';
import { REPLACEABLE_PARTS } from '@jumper/core';
import { Key } from '../../ui/Key';
import { Text } from '../../ui/Text';
import { capital, plain } from '../units/words';
import { sayVanParts, useVanParts } from './van';

/** What goes along in the van, touched once. */
export function VanParts() {
  const van = useVanParts();
  return (
    <View role="group" aria-label="Parts in the van" className="gap-2">
      <Text className="font-medium text-[14px] text-ink2">Parts in the van</Text>
      <View className="flex-row flex-wrap gap-2">
        {REPLACEABLE_PARTS.map((p) => (
          <Key
            key={p}
            label={capital(plain(p))}
            pressed={van.includes(p)}
            className="px-3"
            onPress={() => sayVanParts(van.includes(p) ? van.filter((x) => x !== p) : [...van, p])}
          />
        ))}
      </View>
      <Text className="text-[14px] leading-[19px] text-ink2">
        {van.length > 0
          ? 'What is not in it has to be nearly certain before it is worth the trip.'
          : 'None said: every part counts as if it might be there.'}
      </Text>
    </View>
  );
}

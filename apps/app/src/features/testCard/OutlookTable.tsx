import { View } from 'react-native';
import { lowerFirst, type Outlook } from '@jumper/core';
import { Text } from '../../ui/Text';
import { setTitle, shareText } from '../bench/suspects';
import { Spoken } from '../units/Spoken';

/** How a test may come out as things stand, and what would then be likeliest: whether it is worth the walk. */
export function OutlookTable({ outlook }: { outlook: readonly Outlook[] }) {
  const told = outlook.filter((o) => o.probability >= WORTH_TELLING);
  if (told.length === 0) return null;
  return (
    <View role="table" aria-label="What it may show">
      <Text className="pb-1 font-semibold text-small text-ink2">What it may show, as things stand</Text>
      {told.map((o) => (
        <View key={o.text} role="row" className="flex-row items-center gap-3 border-t border-hair py-1.5">
          <View role="cell" className="min-w-0 flex-1">
            <Text className="font-semibold text-small">
              <Spoken said={o.said} />
            </Text>
            <Text className="text-small text-ink2">
              {`then ${lowerFirst(setTitle(o.first.faults))}, ${shareText(o.first.probability)}`}
            </Text>
          </View>
          <Text role="cell" className="font-semibold">
            {shareText(o.probability)}
          </Text>
        </View>
      ))}
    </View>
  );
}

/** What comes out more seldom would be a surprise whatever it then says. */
const WORTH_TELLING = 0.01;

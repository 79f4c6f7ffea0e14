import { Link } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, useWindowDimensions, View } from 'react-native';
import { useRoom } from './Columns';
import { offPaper } from './paper';
import { PLACES, WIDE_PX, type PlaceId } from './places';
import { Text } from './Text';

/** One of the places. `foot` is the view's main action, above the places under the thumb; what stands in columns takes more room. */
export function Place({
  at,
  foot,
  inColumns = false,
  children,
}: {
  at: PlaceId;
  foot?: ReactNode;
  inColumns?: boolean;
  children: ReactNode;
}) {
  const wide = useWindowDimensions().width >= WIDE_PX,
    room = useRoom(inColumns);
  return (
    <View className="flex-1">
      <View className={`mx-auto min-h-0 w-full flex-1 ${room}`}>
        {children}
        {foot ? <View className={`border-t border-ink bg-sheet px-3 pt-3 ${wide ? 'pb-3' : 'pb-1'}`}>{foot}</View> : null}
      </View>
      {wide ? null : (
        <View role="navigation" aria-label="Places" className={`flex-row flex-wrap bg-sheet ${foot ? '' : 'border-t border-hair'}`}>
          {PLACES.map((p) => (
            <PlaceLink
              key={p.id}
              label={p.label}
              href={p.href}
              here={p.id === at}
              className="min-h-[52px] min-w-[64px] flex-1 items-center justify-center"
              mark
            />
          ))}
        </View>
      )}
    </View>
  );
}

/** The places down the left edge of a wide screen. */
export function Rail({ at }: { at: PlaceId }) {
  return (
    <View {...offPaper} className="w-[96px] border-r border-hair pt-4">
      <Text numberOfLines={1} className="px-3 pb-4 font-figure text-title text-copper">
        Jumper
      </Text>
      <View role="navigation" aria-label="Places">
        {PLACES.map((p) => (
          <PlaceLink
            key={p.id}
            label={p.label}
            href={p.href}
            here={p.id === at}
            className={`min-h-[52px] justify-center border-l-[4px] px-2.5 ${p.id === at ? 'border-copper bg-sheet' : 'border-transparent'}`}
          />
        ))}
      </View>
    </View>
  );
}

interface PlaceLinkProps {
  label: string;
  href: string;
  here: boolean;
  /** A bar under the one where one is. */
  mark?: boolean;
  className: string;
}

/** The way to a place; the one where one is says so. */
export function PlaceLink({ label, href, here, mark = false, className }: PlaceLinkProps) {
  return (
    <Link href={href as never} asChild>
      <Pressable aria-current={here ? 'page' : undefined} className={`active:opacity-70 ${className}`}>
        <Text className={`text-small ${here ? 'font-semibold text-ink' : 'font-medium text-ink2'}`}>{label}</Text>
        {mark ? <View className={`mt-1 h-[3px] w-[32px] ${here ? 'bg-copper' : 'bg-transparent'}`} /> : null}
      </Pressable>
    </Link>
  );
}

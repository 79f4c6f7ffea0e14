import { Link } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, useWindowDimensions, View } from 'react-native';
import { Text } from './Text';

const PLACES = [
  { id: 'jobs', label: 'Jobs', href: '/' },
  { id: 'circuits', label: 'Circuits', href: '/circuits' },
  { id: 'tools', label: 'Tools', href: '/tools' },
  { id: 'settings', label: 'Settings', href: '/settings' },
] as const;
export type PlaceId = (typeof PLACES)[number]['id'];

const WIDE = 1000;

/** One of the places that a technician goes to from anywhere: under the thumb on a phone, down the left edge of a wide screen. `foot` is the view's main action, above the places. */
export function Place({ at, foot, children }: { at: PlaceId; foot?: ReactNode; children: ReactNode }) {
  const wide = useWindowDimensions().width >= WIDE;
  const body = (
    <View className="mx-auto min-h-0 w-full max-w-[760px] flex-1">
      {children}
      {foot ? <View className={`border-ink bg-sheet px-3 pt-3 ${wide ? 'border-t pb-3' : 'border-t pb-1'}`}>{foot}</View> : null}
    </View>
  );
  if (wide)
    return (
      <View className="flex-1 flex-row">
        <View className="w-[112px] border-r border-hair pt-5">
          <Text numberOfLines={1} className="px-4 pb-5 font-figure text-[26px] leading-[32px] text-copper">Jumper</Text>
          <View role="navigation" aria-label="Places">
            {PLACES.map((p) => (
              <PlaceLink key={p.id} place={p} here={p.id === at} className={`min-h-[52px] justify-center border-l-[4px] px-3 ${p.id === at ? 'border-copper bg-sheet' : 'border-transparent'}`} />
            ))}
          </View>
        </View>
        {body}
      </View>
    );
  return (
    <View className="flex-1">
      {body}
      <View role="navigation" aria-label="Places" className={`flex-row flex-wrap bg-sheet ${foot ? '' : 'border-t border-hair'}`}>
        {PLACES.map((p) => <PlaceLink key={p.id} place={p} here={p.id === at} className="min-h-[52px] min-w-[64px] flex-1 items-center justify-center" mark />)}
      </View>
    </View>
  );
}

function PlaceLink({ place, here, mark = false, className }: { place: (typeof PLACES)[number]; here: boolean; mark?: boolean; className: string }) {
  return (
    <Link href={place.href as never} asChild>
      <Pressable aria-current={here ? 'page' : undefined} className={`active:opacity-70 ${className}`}>
        <Text className={`text-[14.5px] ${here ? 'font-semibold text-ink' : 'font-medium text-ink2'}`}>{place.label}</Text>
        {mark ? <View className={`mt-1 h-[3px] w-[32px] ${here ? 'bg-copper' : 'bg-transparent'}`} /> : null}
      </Pressable>
    </Link>
  );
}

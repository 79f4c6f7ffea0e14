import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { useColumns } from './Columns';

interface HalvesProps {
  header: ReactNode;
  /** What is read or walked through. */
  walk: ReactNode;
  /** What is filled in beside it. */
  note?: ReactNode;
  /** What ends it: under the thumb on a phone, below what was filled in on a wide screen. */
  dock?: ReactNode;
  /** What the walk is called to who hears the view; one that is scrolled by keyboard has a name. */
  name?: string;
  /** Classes of what scrolls. */
  className?: string;
}

/** A view of one column on a phone; on a wide screen two, each with its own scrolling, so that what is noted stays beside what it is
 *  noted of. */
export function Halves({ header, walk, note, dock, name, className = 'gap-4 p-4' }: HalvesProps) {
  const wide = useColumns();
  const region = name ? { tabIndex: 0 as const, role: 'region' as const, 'aria-label': name } : {};
  const docked = dock ? <View className="gap-2 border-t border-ink bg-sheet px-3 py-3">{dock}</View> : null;
  if (!wide)
    return (
      <View className="mx-auto w-full max-w-[760px] flex-1">
        {header}
        <ScrollView className="flex-1" {...region} contentContainerClassName={className}>
          {walk}
          {note}
        </ScrollView>
        {docked}
      </View>
    );
  return (
    <View className="flex-1">
      {header}
      <View className="min-h-0 flex-1 flex-row">
        <ScrollView className="flex-1" {...region} contentContainerClassName={`mx-auto w-full max-w-[860px] ${className}`}>
          {walk}
        </ScrollView>
        <ScrollView className="w-[440px] flex-none border-l border-hair bg-sheet" contentContainerClassName={note ? className : ''}>
          {note}
          {dock ? <View className={note ? 'gap-2' : 'gap-2 p-4'}>{dock}</View> : null}
        </ScrollView>
      </View>
    </View>
  );
}

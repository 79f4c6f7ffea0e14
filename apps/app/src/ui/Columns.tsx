import { Children, type ReactNode } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { COLUMNS_PX } from './places';

/** Whether there is room for columns. */
export const useColumns = (): boolean => useWindowDimensions().width >= COLUMNS_PX;

/** How wide a view is at most, as a class. @param inColumns whether what stands in it has two columns where there is room */
export const useRoom = (inColumns = true): string => (useColumns() && inColumns ? 'max-w-[1100px]' : 'max-w-[760px]');

/** What stands in one column on a phone, and in two on a wide screen, to be read line by line.
 *  @param lines class of the gap between lines */
export function Columns({ children, lines = 'gap-y-4' }: { children: ReactNode; lines?: string }) {
  const columns = useColumns();
  if (!columns) return <View className={lines}>{children}</View>;
  return (
    <View className={`flex-row flex-wrap gap-x-4 ${lines}`}>
      {Children.toArray(children).map((child, i) => (
        <View key={i} className="w-[calc(50%-8px)]">
          {child}
        </View>
      ))}
    </View>
  );
}

import { Children, type ReactNode } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { COLUMNS_PX } from './places';

/** Whether there is room for two columns. */
export const useColumns = (): boolean => useWindowDimensions().width >= COLUMNS_PX;

/** How wide a view of fields or short rows is at most. */
export const roomy = (columns: boolean): string => (columns ? 'max-w-[1100px]' : 'max-w-[760px]');

/** What stands in one column on a phone, and in two on a wide screen, to be read line by line.
 *  @param gap classes of the gaps between lines and between columns */
export function Columns({ children, gap = 'gap-4' }: { children: ReactNode; gap?: string }) {
  const columns = useColumns();
  if (!columns) return <View className={gap}>{children}</View>;
  return (
    <View className={`flex-row flex-wrap ${gap}`}>
      {Children.toArray(children).map((child, i) => (
        <View key={i} className="w-[calc(50%-8px)]">
          {child}
        </View>
      ))}
    </View>
  );
}

import { ScrollView, useWindowDimensions } from 'react-native';

/** Header, stepper and keys need so much of the height, px; and this much a panel gets at the least. */
const DOCK_PX = 330,
  LEAST_PX = 200;

/** What opens above the stepper: as high as the screen lets it be, and scrolled beyond. */
export function DockPanel({ testID, children }: { testID: string; children: React.ReactNode }) {
  const { height } = useWindowDimensions();
  return (
    <ScrollView testID={testID} style={{ maxHeight: Math.max(LEAST_PX, height - DOCK_PX) }} contentContainerClassName="gap-3 pb-1">
      {children}
    </ScrollView>
  );
}

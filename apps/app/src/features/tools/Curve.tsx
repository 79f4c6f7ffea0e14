import { useState } from 'react';
import { View } from 'react-native';
import { LineChart } from 'react-native-gifted-charts';
import { Text } from '../../ui/Text';
import { useTheme } from '../../ui/ThemeProvider';
import type { CurveView } from './curveView';

const HEIGHT = 130;

/** One result over one input, with the present place marked: what a step to the left or right would do. */
export default function Curve({ view }: { view: CurveView }) {
  const { tokens } = useTheme();
  const [width, setWidth] = useState(0);
  const plot = Math.max(60, width - 64);
  return (
    <View role="img" aria-label={view.spoken} testID="curve" className="gap-1" onLayout={(e) => setWidth(e.nativeEvent.layout.width)}>
      <Text className="text-small text-ink2">{view.title}</Text>
      {width > 0 ? (
        <View className="flex-row">
          <View className="w-[56px] justify-between pr-2" style={{ height: HEIGHT }}>
            <Text className="text-right text-small text-ink2">{view.high}</Text>
            <Text className="text-right text-small text-ink2">{view.low}</Text>
          </View>
          <View className="border-b border-l border-ink" style={{ width: plot, height: HEIGHT, overflow: 'hidden' }}>
            <LineChart
              data={view.points}
              width={plot}
              height={HEIGHT}
              maxValue={1}
              noOfSections={2}
              initialSpacing={0}
              endSpacing={0}
              spacing={plot / Math.max(1, view.points.length - 1)}
              hideAxesAndRules
              hideYAxisText
              yAxisLabelWidth={0}
              xAxisLabelsHeight={0}
              xAxisThickness={0}
              yAxisThickness={0}
              overflowTop={0}
              disableScroll
              hideDataPoints
              isAnimated={false}
              adjustToWidth={false}
              color={tokens.copper}
              thickness={2.2}
            />
            {view.here === null ? null : (
              <View
                pointerEvents="none"
                style={{ position: 'absolute', left: view.here * plot, top: 0, width: 1.5, height: HEIGHT, backgroundColor: tokens.ink }}
              />
            )}
          </View>
        </View>
      ) : null}
      <View className="flex-row justify-between pl-[56px]">
        <Text className="text-small text-ink2">{view.from}</Text>
        <Text className="text-small text-ink2">{view.to}</Text>
      </View>
    </View>
  );
}

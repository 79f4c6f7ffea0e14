import { LineChart } from 'react-native-gifted-charts';
import { View } from 'react-native';
import { useTheme } from '../../ui/ThemeProvider';
import type { FigureView } from './figureModel';
import { resample, resamplePeaks, type FigureScale } from './scale';

/** Equal steps of the grid: enough for hand readings, one for every other pixel or so of a logger's. */
const FEW = 121,
  MANY = 241;
/** The chart sets its plot lower than it is told, by a twentieth of its height less one pixel; taken off again, so that its scale is the
 *  figure's. The browser test holds line and readings together. */
const chartShift = (height: number) => 1 - height / 20;

/** Healthy band and measured trace, on the figure's scale. The chart wants equal steps, so both are read at such. */
export default function Trace({
  view,
  scale,
  predicted,
}: {
  view: FigureView;
  scale: FigureScale;
  predicted: { min: number; bar: number }[] | null;
}) {
  const { tokens } = useTheme();
  const width = scale.plotRight - scale.plotLeft,
    height = scale.plotBottom - scale.plotTop;
  const STEPS = view.readings.length > FEW ? MANY : FEW;
  const trace = (view.readings.length > FEW ? resamplePeaks : resample)(view.readings, view.spanMin, STEPS);
  const before = view.before ? resample(view.before.points, view.spanMin, STEPS) : [];
  const cut = trace.findLastIndex((v) => v !== undefined) + 1;
  const low = resample(
    view.band.map((b) => ({ min: b.min, bar: b.low })),
    view.spanMin,
    STEPS,
  );
  const high = resample(
    view.band.map((b) => ({ min: b.min, bar: b.high })),
    view.spanMin,
    STEPS,
  );
  const bandEnd = low.findLastIndex((v) => v !== undefined) + 1;
  const suspect = predicted ? resample(predicted, view.spanMin, STEPS) : [];
  const line = (values: (number | undefined)[]) => values.map((value) => ({ value: clip(value ?? 0, scale.topBar) }));
  const common = {
    width,
    height,
    maxValue: scale.topBar,
    noOfSections: 4,
    initialSpacing: 0,
    endSpacing: 0,
    spacing: width / (STEPS - 1),
    hideAxesAndRules: true,
    hideYAxisText: true,
    yAxisLabelWidth: 0,
    xAxisLabelsHeight: 0,
    xAxisThickness: 0,
    yAxisThickness: 0,
    overflowTop: 0,
    overflowBottom: 0,
    disableScroll: true,
    hideDataPoints: true,
    hideDataPoints2: true,
    isAnimated: false,
    backgroundColor: 'transparent',
    adjustToWidth: false,
  } as const;
  const frame = { position: 'absolute' as const, left: scale.plotLeft, top: scale.plotTop, width, height, overflow: 'hidden' as const };
  const shift = { marginTop: chartShift(height) };
  return (
    <>
      {bandEnd > 1 ? (
        <View pointerEvents="none" style={frame}>
          <View style={shift}>
            <LineChart
              {...common}
              data={line(low.slice(0, bandEnd))}
              color="transparent"
              thickness={0}
              spreadAreaData={low
                .slice(0, bandEnd)
                .map((v, i) => ({ lower: clip(v ?? 0, scale.topBar), upper: clip(high[i] ?? 0, scale.topBar) }))}
              spreadAreaColor={tokens.verdigris}
              spreadAreaOpacity={0.22}
            />
          </View>
        </View>
      ) : null}
      {suspect.length ? (
        <View pointerEvents="none" style={frame}>
          <View style={shift}>
            <LineChart
              {...common}
              data={line(suspect.slice(0, suspect.findLastIndex((v) => v !== undefined) + 1))}
              color={tokens.oxide}
              thickness={1.5}
              strokeDashArray={[5, 4]}
            />
          </View>
        </View>
      ) : null}
      {before.some((v) => v !== undefined) ? (
        <View pointerEvents="none" style={frame}>
          <View style={shift}>
            <LineChart {...common} data={line(fill(before))} color={tokens.ink2} thickness={1.6} strokeDashArray={[2, 3]} />
          </View>
        </View>
      ) : null}
      {cut > 1 ? (
        <View pointerEvents="none" style={frame}>
          <View style={shift}>
            <LineChart {...common} data={line(trace.slice(0, cut))} color={tokens.ink} thickness={2.2} />
          </View>
        </View>
      ) : null}
    </>
  );
}

/** The chart draws from its left end: what comes before the first point stands at its height, what comes after the last is cut. */
const fill = (values: (number | undefined)[]) => {
  const first = values.find((v) => v !== undefined);
  return values.slice(0, values.findLastIndex((v) => v !== undefined) + 1).map((v) => v ?? first);
};
const clip = (v: number, top: number) => Math.min(Math.max(v, 0), top);

import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import Svg, { Circle, G, Line, Polyline, Text as SvgText } from 'react-native-svg';
import { Header } from '../../ui/Header';
import { State } from '../../ui/State';
import { Text } from '../../ui/Text';
import { useTheme } from '../../ui/ThemeProvider';
import { useJob, useJobs } from '../jobs/jobData';
import { pressureNumber, pressureText, type Units } from '../units/units';
import { useUnits } from '../units/UnitsProvider';
import { historyView, type HistoryView, type TracePoint } from './historyView';

/** A circuit over its visits. */
export function HistoryScreen({ jobId, backTo = `/jobs/${jobId}` }: { jobId: string; backTo?: string }) {
  const { units } = useUnits();
  const job = useJob(jobId),
    jobs = useJobs();
  const view = useMemo(
    () => (job.data && jobs.data ? historyView(jobs.data, job.data.job.circuitId, units) : null),
    [job.data, jobs.data, units],
  );
  if (job.isPending || jobs.isPending) return <State title="Opening the history …" />;
  if (!view)
    return <State title="This circuit is not on this device" action={{ label: 'To the jobs', onPress: () => router.navigate('/') }} />;
  return (
    <View className="mx-auto w-full max-w-[760px] flex-1">
      <Header title="History of the circuit" subtitle={view.site} backTo={backTo} />
      <ScrollView className="flex-1" contentContainerClassName="gap-4 py-4">
        {view.coldTrace.length > 1 || view.chargeTrace.length > 2 ? <Traces view={view} units={units} /> : null}
        <View className="gap-1 px-4">
          {view.lines.map((l) => (
            <Text key={l}>{l}</Text>
          ))}
        </View>
        <View role="list" aria-label="Visits">
          {view.visits.map((v) => (
            <View key={v.jobId} role="listitem" className="border-t border-hair">
              <Pressable
                role="button"
                onPress={() => router.navigate(`/jobs/${v.jobId}` as never)}
                className="min-h-[60px] flex-row items-center gap-3 px-4 py-2 active:bg-sheet"
              >
                <Text className="w-[92px] font-figuremedium text-body">{v.when}</Text>
                <View className="min-w-0 flex-1">
                  <Text>{`cold ${v.cold}, charge ${v.charge}`}</Text>
                  <Text className="text-small text-ink2">{v.work}</Text>
                </View>
              </Pressable>
            </View>
          ))}
        </View>
      </ScrollView>
    </View>
  );
}

/** Room above and below what was read, bar. */
const ROOM_BAR = 0.15;

/** Cold pressure and charge from visit to visit: the charge as it was found, and as it was left, so that what it lost between shows as a
 *  fall. */
function Traces({ view, units }: { view: HistoryView; units: Units }) {
  const { tokens } = useTheme();
  const [width, setWidth] = useState(0);
  const { coldTrace, chargeTrace, rightBar } = view,
    all = [...coldTrace, ...chargeTrace],
    text = (bar: number) => pressureText(bar, units.pressure);
  const height = 256,
    last = Math.max(1, ...all.map((p) => p.day)),
    bars = [rightBar, ...all.map((p) => p.bar)];
  // What differs from visit to visit is what matters: the scale is theirs, not the gauge's.
  const low = Math.max(0, Math.min(...bars) - ROOM_BAR),
    high = Math.max(...bars) + ROOM_BAR;
  const x = (day: number) => 14 + ((width - 28) * day) / last,
    y = (bar: number) => height - 26 - ((height - 40) * (bar - low)) / (high - low);
  // A label keeps off its line: what was found, and is then made more, below it.
  const traces = [
    { points: coldTrace, ink: tokens.ink, below: (p: TracePoint) => p.bar < rightBar },
    { points: chargeTrace, ink: tokens.copper, below: (p: TracePoint, i: number) => chargeTrace[i + 1]?.day === p.day },
  ];
  return (
    <View className="px-4" onLayout={(e) => setWidth(e.nativeEvent.layout.width - 32)}>
      <Text className="pb-1 font-semibold text-small text-ink2">
        Visit by visit: <Text className="font-semibold text-small">cold pressure</Text>
        {chargeTrace.length > 1 ? (
          <>
            , <Text className="font-semibold text-small text-copper">charge found and left</Text>
          </>
        ) : null}
      </Text>
      {width > 0 ? (
        <Svg
          width={width}
          height={height}
          role="img"
          aria-label={[
            `Cold pressure: ${coldTrace.map((p) => text(p.bar)).join(', ')}`,
            ...(chargeTrace.length ? [`Charge: ${chargeTrace.map((p) => text(p.bar)).join(', ')}`] : []),
          ].join('. ')}
        >
          <Line x1={0} x2={width} y1={y(rightBar)} y2={y(rightBar)} stroke={tokens.verdigris} strokeWidth={1.2} strokeDasharray="5 4" />
          <SvgText
            x={width / 2}
            textAnchor="middle"
            y={y(rightBar) - 6}
            fontSize="12.5"
            fontFamily="Barlow_500Medium"
            fill={tokens.verdigris}
          >{`right, cold ${text(rightBar)}`}</SvgText>
          <Line x1={0} x2={width} y1={height - 18} y2={height - 18} stroke={tokens.hair} strokeWidth={1} />
          {traces.map(({ points, ink, below }) => (
            <G key={ink}>
              <Polyline points={points.map((p) => `${x(p.day)},${y(p.bar)}`).join(' ')} fill="none" stroke={ink} strokeWidth={2} />
              {points.map((p, i) => (
                <Circle key={i} cx={x(p.day)} cy={y(p.bar)} r={4} fill={ink} />
              ))}
              {points.map((p, i) => (
                <SvgText
                  key={i}
                  x={x(p.day) + (p.day > last / 2 ? -4 : 4)}
                  y={y(p.bar) + (below(p, i) ? 18 : -8)}
                  textAnchor={p.day > last / 2 ? 'end' : 'start'}
                  fontSize="15"
                  fontFamily="BarlowCondensed_600SemiBold"
                  fill={ink}
                >
                  {pressureNumber(p.bar, units.pressure)}
                </SvgText>
              ))}
            </G>
          ))}
          {[view.visits.at(-1)!, view.visits[0]!].map((v, i) => (
            <SvgText
              key={v.jobId}
              x={i === 0 ? 0 : width}
              y={height - 2}
              textAnchor={i === 0 ? 'start' : 'end'}
              fontSize="12.5"
              fontFamily="Barlow_400Regular"
              fill={tokens.ink2}
            >
              {v.when}
            </SvgText>
          ))}
        </Svg>
      ) : null}
    </View>
  );
}

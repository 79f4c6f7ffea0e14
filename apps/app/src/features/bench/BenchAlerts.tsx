import { router } from 'expo-router';
import { View } from 'react-native';
import { isAutomaticFeed } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { useSaveSheet } from '../sheet/useSaveSheet';
import { pressureText } from '../units/units';
import { sheetOfJob } from '../work/workState';
import type { BenchState } from './useBench';

/** What comes before any test: heat that has to go off now, what must be minded, and what only the technician can say. */
export function BenchAlerts({ bench }: { bench: BenchState }) {
  const { units, state, view, alerts, add } = bench;
  const bar = (x: number) => pressureText(x, units.pressure),
    off = alerts.heatOff;
  if (!off && state.heat.allowed && state.heat.cautions.length === 0 && alerts.drainedAt === null) return null;
  return (
    <View className="gap-3 px-3 pt-2">
      {off ? (
        <Notice
          kind="danger"
          title={
            {
              'at-relief': `${bar(off.nowGaugeBar)}: at the relief, which opens at ${bar(off.limitGaugeBar)}`,
              'above-vessel': `${bar(off.nowGaugeBar)}: above the ${bar(off.limitGaugeBar)} that the vessel is made for`,
              'above-relief-marking': `${bar(off.nowGaugeBar)}: above the relief’s marking of ${bar(off.limitGaugeBar)}`,
            }[off.reason]
          }
          live
        >
          <View className="gap-3">
            <Text>Before anything else. Keep clear of the discharge pipe: hot water and steam may come out of it.</Text>
            {view.heatOn || view.heatUnsaid ? (
              <Button
                label="Heat off now"
                kind="danger"
                onPress={() => void add({ kind: 'event', at: new Date().toISOString(), event: 'heat-off' })}
              />
            ) : (
              <Text className="font-semibold">Leave the heat off; let the pressure down once it has cooled.</Text>
            )}
          </View>
        </Notice>
      ) : null}
      {state.heat.allowed ? null : view.heatOn ? (
        <Notice kind="danger" title="The heat is on, and must not be" live>
          <View className="gap-3">
            <Text>{state.heat.blocks.map((b) => b.text).join(' ')}</Text>
            <Button
              label="Heat off now"
              kind="danger"
              onPress={() => void add({ kind: 'event', at: new Date().toISOString(), event: 'heat-off' })}
            />
          </View>
        </Notice>
      ) : null}
      {state.heat.cautions.map((c) => (
        <Notice key={c} kind="caution">
          {c}
        </Notice>
      ))}
      {alerts.drainedAt !== null ? (
        <Notice kind="caution" title="The gauge fell to about zero at once. Was it drained?">
          <Text className="pb-2">The verdict waits for this.</Text>
          <View className="flex-row gap-2">
            <Button
              label="Drained"
              kind="next"
              className="flex-1"
              onPress={() => void add({ kind: 'event', at: alerts.drainedAt!, event: 'drained' })}
            />
            <Button
              label="No, it fell"
              kind="quiet"
              className="flex-1"
              onPress={() =>
                void add({ kind: 'event', at: alerts.drainedAt!, event: 'note', text: 'Nothing was drained: the pressure fell by itself' })
              }
            />
          </View>
        </Notice>
      ) : null}
    </View>
  );
}

/** What only the technician can say, asked once: how a feed stands, and that the boiler has come to its set temperature. */
export function BenchQuestions({ bench: { parts, alerts, add } }: { bench: BenchState }) {
  const saveSheet = useSaveSheet();
  const feedStands = (valve: 'open' | 'shut') => {
    const sheet = sheetOfJob(parts);
    if (!isAutomaticFeed(sheet)) return;
    void saveSheet({
      ...parts.sheet,
      sheet: { ...sheet, fill: { ...sheet.fill!, valve } },
    });
  };
  if (!alerts.asksFeed && !alerts.asksSteady) return null;
  return (
    <View className="gap-3 px-3">
      {alerts.asksFeed ? (
        <Notice kind="note" title="How does the stop valve of the feed stand?">
          <View className="gap-2">
            <Text className="text-small">Open, the feed makes up what is lost, unseen. Shut, the gauge shows it.</Text>
            <View className="flex-row gap-2">
              <Button label="Open" kind="plain" className="flex-1" onPress={() => feedStands('open')} />
              <Button label="Kept shut" kind="plain" className="flex-1" onPress={() => feedStands('shut')} />
              <Button
                label="Where?"
                kind="quiet"
                className="flex-1"
                onPress={() => router.navigate(`/jobs/${parts.job.id}/test/feed-valve-position` as never)}
              />
            </View>
          </View>
        </Notice>
      ) : null}
      {alerts.asksSteady ? (
        <Button
          label="At set temperature, steady for 5 min"
          kind="plain"
          onPress={() => void add({ kind: 'event', at: new Date().toISOString(), event: 'steady-hot' })}
        />
      ) : null}
    </View>
  );
}

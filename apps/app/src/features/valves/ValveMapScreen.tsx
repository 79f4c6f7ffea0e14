import Check from 'lucide-react-native/icons/check';
import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { circuitSheet, jobToCase, problemsOf, type JobParts } from '@jumper/contract';
import { assumedPlaces, isOnMap, placesOf, RUN_SHEET_IDS, TEST_IDS, type CircuitSheet, type PlacesOnMap } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Halves } from '../../ui/Halves';
import { Header } from '../../ui/Header';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { useTheme } from '../../ui/ThemeProvider';
import { WithJob } from '../jobs/WithJob';
import { useSaveSheet } from '../sheet/useSaveSheet';
import { useUnits } from '../units/UnitsProvider';
import { sheetOfJob, workState } from '../work/workState';
import { PlacesEditor } from './PlacesEditor';
import { ValveFigure } from './ValveFigure';
import { valveMapView, type PlannedStep } from './valveMapView';

export function ValveMapScreen({ jobId, forWhat }: { jobId: string; forWhat: string | null }) {
  return (
    <WithJob jobId={jobId} opening="the valve map">
      {(parts) => <ValveMap parts={parts} forWhat={forWhat} />}
    </WithJob>
  );
}

/** What is shut, what is emptied, what is trapped; and where the parts stand, to be put right by touch. */
function ValveMap({ parts, forWhat }: { parts: JobParts; forWhat: string | null }) {
  const { units } = useUnits(),
    saveSheet = useSaveSheet();
  const kept = sheetOfJob(parts);
  const [map, setMap] = useState<PlacesOnMap>(kept.valveMap ?? {});
  const [problems, setProblems] = useState<Record<string, string>>({});
  const circuit: CircuitSheet = useMemo(() => ({ ...kept, valveMap: map }), [kept, map]);
  const state = useMemo(() => workState(parts), [parts]);
  const lastBar = useMemo(
    () =>
      jobToCase(parts)
        .logs?.at(-1)
        ?.samples.pressureBar.findLast((p) => p !== null) ?? null,
    [parts],
  );
  const view = useMemo(
    () =>
      valveMapView(
        circuit,
        forWhat,
        state.open.map((p) => p.position),
        lastBar,
        units,
      ),
    [circuit, forWhat, state.open, lastBar, units],
  );
  const back = backOf(parts.job.id, forWhat),
    open = assumedPlaces(circuit);
  const keep = async (next: PlacesOnMap) => {
    const sheet = { ...kept, valveMap: next },
      checked = circuitSheet.safeParse(sheet);
    if (!checked.success) {
      const told = Object.fromEntries(problemsOf(checked.error).map((p) => [p.field, `It ${p.message}.`]));
      if (Object.keys(told).length > 0) return setProblems(told);
    }
    await saveSheet({
      ...parts.sheet,
      sheet,
    });
    router.navigate(back as never);
  };
  const all = Object.fromEntries(
    Object.entries(placesOf(circuit)).filter(([part]) => isOnMap(part as keyof PlacesOnMap, circuit)),
  ) as PlacesOnMap;
  const changed = JSON.stringify(map) !== JSON.stringify(kept.valveMap ?? {});
  return (
    <Halves
      name="Valve map"
      header={
        <Header
          title="What is shut, what is trapped"
          subtitle={[parts.sheet.site, view.purpose].filter(Boolean).join(' · ')}
          backTo={back}
        />
      }
      walk={
        <>
          <View className="flex-row items-center gap-4">
            <Text className="font-figure text-dial">
              {view.number?.value ?? '–'}
              {view.number ? <Text className="text-title text-ink2">{` ${view.number.unit}`}</Text> : null}
            </Text>
            <Text className={`min-w-0 flex-1 text-body ${view.purpose ? 'font-semibold text-oxide' : 'text-ink2'}`}>{view.says}</Text>
          </View>
          <ValveFigure view={view} />
          {view.refused ? (
            <Notice kind="danger" title="Cannot be emptied">
              {view.refused}
            </Notice>
          ) : null}
          {view.trapped.map((line) => (
            <Notice key={line} kind="danger" title="Trapped">
              {line}
            </Notice>
          ))}
          {view.mustNot.length > 0 ? <Notice kind="caution">{view.mustNot.join(' ')}</Notice> : null}
          {view.steps.length > 0 ? <Order steps={view.steps} /> : null}
          {view.putBack.length > 0 ? <Text className="text-small text-ink2">{`To put back: ${view.putBack.join(', ')}.`}</Text> : null}
        </>
      }
      note={
        <View className="gap-3">
          <Text role="heading" aria-level={2} className="font-semibold text-lead">
            Where things stand
          </Text>
          <Text className="text-small text-ink2">
            {open.length > 0
              ? 'What is marked “assumed” nobody has stated yet. Follow the pipes, then put it right.'
              : 'All of it was stated.'}
          </Text>
          <PlacesEditor
            circuit={circuit}
            map={map}
            problems={problems}
            onChange={(next) => {
              setMap(next);
              setProblems({});
            }}
          />
        </View>
      }
      dock={
        <>
          {Object.values(problems)[0] ? (
            <Notice kind="danger" live>
              {Object.values(problems)[0]!}
            </Notice>
          ) : null}
          {open.length > 0 ? (
            <Button label="All stands as drawn: keep it" kind="main" onPress={() => void keep(all)} />
          ) : (
            <Button label="Keep this map" kind="main" disabled={!changed} onPress={() => void keep(map)} />
          )}
        </>
      }
    />
  );
}

const backOf = (jobId: string, forWhat: string | null): string =>
  RUN_SHEET_IDS.some((r) => r === forWhat)
    ? `/jobs/${jobId}/work/${forWhat}`
    : TEST_IDS.some((t) => t === forWhat)
      ? `/jobs/${jobId}/test/${forWhat}`
      : forWhat === 'sheet'
        ? `/jobs/${jobId}/sheet`
        : `/jobs/${jobId}/work`;

/** In which order, with a tick at what the record says is done. */
function Order({ steps }: { steps: PlannedStep[] }) {
  const { tokens } = useTheme();
  return (
    <View role="list" aria-label="In this order">
      {steps.map((s, i) => (
        <View key={s.text} role="listitem" className="min-h-[44px] flex-row items-center gap-3 border-t border-hair py-1.5">
          <View className={`h-[28px] w-[28px] items-center justify-center rounded border ${s.done ? 'border-ink' : 'border-hair'}`}>
            {s.done ? <Check size={17} color={tokens.ink} /> : <Text className="font-figure text-lead text-ink2">{i + 1}</Text>}
          </View>
          <Text className="min-w-0 flex-1 text-body">{s.text}</Text>
        </View>
      ))}
    </View>
  );
}

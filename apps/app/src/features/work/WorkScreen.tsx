import { router } from 'expo-router';
import { useMemo } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import type { FactBody, JobParts } from '@jumper/contract';
import {
  FAULTS,
  highestFlowC,
  lowerFirst,
  RUN_SHEET_IDS,
  runSheet,
  runSheetRow,
  sheetsFor,
  sheetsForSet,
  type RunSheetId,
} from '@jumper/core';
import { Button } from '../../ui/Button';
import { useColumns } from '../../ui/Columns';
import { Notice } from '../../ui/Notice';
import { Part } from '../../ui/Part';
import { Text } from '../../ui/Text';
import { leadOf } from '../bench/suspects';
import { useJobDiagnosis } from '../bench/useJobDiagnosis';
import { useAddFact } from '../jobs/useAddFact';
import { WithJob } from '../jobs/WithJob';
import { JobPlace } from '../jobPlace/JobPlace';
import { TimerStrip } from '../timers/TimerStrip';
import { quantityText } from '../units/quantity';
import { pressureText, temperatureText } from '../units/units';
import { saidText } from '../units/saidText';
import { useUnits } from '../units/UnitsProvider';
import { plain } from '../units/words';
import { PutBackList } from './PutBackList';
import { SaidForm } from './SaidForm';
import { WorkDone } from './WorkDone';
import { workState } from './workState';
import { partLine } from './workWords';

export function WorkScreen({ jobId }: { jobId: string }) {
  return (
    <WithJob jobId={jobId} opening="the work">
      {(parts) => <Work parts={parts} />}
    </WithJob>
  );
}

/** Fix and finish: the run sheets, what has to be put back, what was said, and the end of the visit. */
function Work({ parts }: { parts: JobParts }) {
  const { units } = useUnits();
  const add = useAddFact(parts.job.id);
  const state = useMemo(() => workState(parts), [parts]);
  const wide = useColumns();
  const { file, judged } = useJobDiagnosis(parts);
  const diagnosis = judged.data ?? null;
  const lead = diagnosis ? (leadOf(diagnosis.now ?? diagnosis) ?? null) : null;
  const fits = [...new Set([...sheetsForSet(lead?.faults ?? []), ...(lead?.faults ?? []).flatMap((f) => sheetsFor(f))])];
  const rest = RUN_SHEET_IDS.filter((s) => !fits.includes(s));
  const charge = (diagnosis?.now ?? diagnosis)?.estimates.prechargeBar;
  // How much air was left in the radiator, where its run sheet has come so far.
  const airL = state.runs.find((r) => r.sheet === 'air-cushion')?.progress.said.get('air')?.value ?? null;
  const stopGap =
    fits.includes('air-cushion') && charge
      ? {
          plain: highestFlowC({ sheet: file.circuit, coldGaugeBar: 1, prechargeGaugeBar: charge.median }),
          cushion:
            airL === null
              ? null
              : highestFlowC({
                  sheet: file.circuit,
                  coldGaugeBar: 1,
                  prechargeGaugeBar: charge.median,
                  cushionL: airL,
                  cushionHeightM: file.circuit.staticHeadM ?? 4,
                }),
        }
      : null;
  const addAll = async (bodies: FactBody[]) => {
    for (const b of bodies) await add(b);
  };
  const celsius = (c: number | null) =>
    c === null ? 'not at all' : c >= 90 ? 'as before' : `to ${temperatureText(Math.floor(c), units.temperature)}`;
  const walk = (
    <>
      <TimerStrip jobId={parts.job.id} />
      <Part title="To put back">
        <PutBackList open={state.open} onAdd={(b) => void add(b)} canNote />
      </Part>
      {state.runs.length > 0 ? (
        <Part title="Begun on this job">
          <Sheets
            jobId={parts.job.id}
            rows={state.runs.map((r) => ({
              id: r.sheet,
              key: r.run,
              line: r.progress.finished
                ? 'Done'
                : `Step ${r.progress.doneCount + 1} of ${runSheet(r.sheet, file.circuit).steps.length}: ${r.progress.next ? saidText(r.progress.next.text, units) : ''}`,
            }))}
          />
        </Part>
      ) : null}
      {fits.length > 0 ? (
        <Part title={`For: ${lead!.faults.map((f) => lowerFirst(FAULTS[f].title)).join(' and ')}`}>
          <Sheets jobId={parts.job.id} rows={fits.map((id) => ({ id, key: id, line: runSheetRow(id).when }))} />
        </Part>
      ) : null}
      {stopGap ? (
        <View className="px-4">
          <Notice
            kind="note"
            title="Until a vessel is there"
          >{`Flow ${celsius(stopGap.plain)}${airL === null ? '; more with an air cushion, by the air that its run sheet asks for' : `; with ${quantityText(airL, 'volume', units)} of air in an upper radiator ${celsius(stopGap.cushion)}`}. Then it stays ${pressureText(0.3, units.pressure)} below the relief. Short-term, and recorded as such. A hot-water store is kept at ${temperatureText(60, units.temperature)} where the local rules on hygiene say so; at the taps that scalds.`}</Notice>
        </View>
      ) : null}
      <Part title={fits.length > 0 ? 'Other run sheets' : 'Run sheets'}>
        <Sheets jobId={parts.job.id} rows={rest.map((id) => ({ id, key: id, line: runSheetRow(id).when }))} />
      </Part>
    </>
  );
  const note = (
    <>
      <Part title="Done without a run sheet">
        <WorkDone units={units} onAdd={addAll} />
      </Part>
      {state.parts.length > 0 ? (
        <Part title="Parts fitted">
          {state.parts.map((p) => (
            <Text key={p.id} className="border-t border-hair px-4 py-2">
              {partLine(p.part)}
            </Text>
          ))}
        </Part>
      ) : null}
      <Part title="Said to the customer">
        {state.said.map(({ id, body }) => (
          <Text key={id} className="border-t border-hair px-4 py-2">
            {body.text}
            <Text className="text-ink2">{`  ${plain(body.answer)}${body.word ? `: “${body.word}”` : ''}`}</Text>
          </Text>
        ))}
        <View className="px-4 pt-1">
          <SaidForm onAdd={(b) => void add(b)} />
        </View>
      </Part>
      <Part title="Valves, and where practitioners differ">
        <Row
          title="Valve map"
          line="What is shut, emptied and trapped now, and where the parts stand"
          to={`/jobs/${parts.job.id}/valves`}
        />
        <Row title="Schools" line="Each with what it comes to in this circuit" to={`/jobs/${parts.job.id}/schools`} />
      </Part>
    </>
  );
  const end = (
    <View className="border-t border-ink bg-sheet px-3 py-2">
      <Button
        label={state.closed ? 'Closed: report and next checks' : 'Close the job'}
        kind="next"
        onPress={() => router.navigate(`/jobs/${parts.job.id}/work/close` as never)}
      />
    </View>
  );
  return (
    <JobPlace parts={parts} at="work" foot={wide ? null : end}>
      {wide ? (
        <View className="min-h-0 flex-1 flex-row">
          <ScrollView className="flex-1" contentContainerClassName="mx-auto w-full max-w-[860px] gap-5 py-4">
            {walk}
          </ScrollView>
          <View className="w-[440px] flex-none border-l border-hair bg-sheet">
            <ScrollView className="flex-1" contentContainerClassName="gap-5 py-4">
              {note}
            </ScrollView>
            {end}
          </View>
        </View>
      ) : (
        <ScrollView className="flex-1" contentContainerClassName="gap-5 py-4">
          {walk}
          {note}
        </ScrollView>
      )}
    </JobPlace>
  );
}

function Sheets({ jobId, rows }: { jobId: string; rows: { id: RunSheetId; key: string; line: string }[] }) {
  return (
    <View>
      {rows.map((r) => (
        <Row
          key={r.key}
          title={runSheetRow(r.id).title}
          line={r.line}
          minutes={runSheetRow(r.id).minutes}
          to={`/jobs/${jobId}/work/${r.id}`}
        />
      ))}
    </View>
  );
}

function Row({ title, line, minutes, to }: { title: string; line: string; minutes?: number; to: string }) {
  return (
    <Pressable
      role="button"
      onPress={() => router.navigate(to as never)}
      className="min-h-[56px] flex-row items-center gap-3 border-t border-hair px-4 py-2 active:bg-sheet"
    >
      <View className="min-w-0 flex-1">
        <Text className="font-semibold text-body">{title}</Text>
        <Text className="text-small text-ink2">{line}</Text>
      </View>
      {minutes ? <Text className="font-figuremedium text-body text-ink2">{`${minutes} min`}</Text> : null}
    </Pressable>
  );
}

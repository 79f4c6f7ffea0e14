import { router } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { asSheet, type JobParts } from '@jumper/contract';
import { COLUMN_ROLES, resolveCircuit, TIME_KINDS, type ColumnRole, type TableChoice, type TableRead, type TimeKind } from '@jumper/core';
import { Button } from '../../ui/Button';
import { FileButton } from '../../ui/FileButton';
import { Choice } from '../../ui/Choice';
import { Header } from '../../ui/Header';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { openTable, type OpenTable } from '../../workers/tableClient';
import { Figure } from '../figure/Figure';
import { figureView } from '../figure/figureView';
import { WithJob } from '../jobs/WithJob';
import { useAddFact } from '../jobs/useAddFact';
import { useUnits } from '../units/UnitsProvider';
import { badLinesText, readText } from './importView';

const MOST_BYTES = 10 * 1024 * 1024,
  MOST_READINGS = 500_000;
const ROLE_TITLES: Record<ColumnRole, string> = {
  time: 'Time',
  pressure: 'Pressure',
  flow: 'Flow temperature',
  return: 'Return temperature',
  event: 'Events',
};
const TIME_TITLES: Record<TimeKind, string> = {
  iso: 'ISO, with zone',
  local: 'Date and time',
  excel: 'Spreadsheet number',
  'unix-s': 'Unix seconds',
  'unix-ms': 'Unix milliseconds',
  'elapsed-s': 'Since the start',
};

export function ImportScreen({ jobId }: { jobId: string }) {
  return (
    <WithJob jobId={jobId} opening="the job">
      {(parts) => <Import parts={parts} />}
    </WithJob>
  );
}

/** A logger's table becomes a log of the job: chosen, looked at, kept. Nothing is kept before the last touch. */
function Import({ parts }: { parts: JobParts }) {
  const [progress, setProgress] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [table, setTable] = useState<{ name: string; open: OpenTable } | null>(null);
  const [choice, setChoice] = useState<TableChoice | null>(null);
  const [read, setRead] = useState<TableRead | null>(null);
  const add = useAddFact(parts.job.id);
  const back = `/jobs/${parts.job.id}`;

  useEffect(() => () => table?.open.close(), [table]);
  useEffect(() => {
    if (!table || !choice) return;
    let overtaken = false;
    void table.open.read(choice).then((r) => {
      if (!overtaken) setRead(r);
    });
    return () => {
      overtaken = true;
    };
  }, [table, choice]);

  const take = async (file: File) => {
    setProblem(null);
    setRead(null);
    setChoice(null);
    setTable(null);
    if (file.size > MOST_BYTES) return setProblem(`${file.name}: is ${(file.size / 1048576).toFixed(1)} MB; at most 10 MB are taken.`);
    setProgress(0);
    try {
      const open = await openTable(file, setProgress);
      setTable({ name: file.name, open });
      setChoice({ ...open.opened.guess, zoneMin: -new Date().getTimezoneOffset() });
    } catch (e) {
      setProblem(`${file.name}: could not be read (${e instanceof Error ? e.message : String(e)}).`);
    } finally {
      setProgress(null);
    }
  };

  const keep = async () => {
    if (!read) return;
    const at = read.log.startedAt ?? new Date().toISOString();
    await add({ kind: 'log', at, log: { ...read.log, startedAt: at } as never });
    router.navigate(back as never);
  };

  const none = read !== null && read.read === 0,
    tooMany = read !== null && read.read > MOST_READINGS;
  return (
    <View className="mx-auto w-full max-w-[760px] flex-1">
      <Header title="Bring in a logger’s table" subtitle={parts.sheet.site} backTo={back} />
      <ScrollView className="flex-1" contentContainerClassName="gap-4 p-4">
        {!table && progress === null ? (
          <Text className="text-ink2">
            A table of times and pressures, as a logger or a spreadsheet writes it: comma, semicolon or tab between, decimal point or comma,
            with a heading or none. Up to 10 MB.
          </Text>
        ) : null}
        <FileButton
          label={table ? 'Choose another file' : 'Choose the file'}
          name="Table of readings"
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          testID="csv-file"
          onFile={(f) => void take(f)}
        />
        {progress !== null ? (
          <View role="progressbar" aria-label="Reading the file" aria-valuenow={Math.round(100 * progress)} className="gap-1">
            <View className="h-[8px] bg-hair">
              <View className="h-full bg-copper" style={{ width: `${100 * progress}%` }} />
            </View>
            <Text className="text-ink2">Reading the file …</Text>
          </View>
        ) : null}
        {problem ? (
          <Notice kind="danger" title="Nothing was taken" live>
            {problem}
          </Notice>
        ) : null}
        {table && choice ? (
          <>
            {read ? (
              <Summary parts={parts} read={read} name={table.name} />
            ) : (
              <Text className="text-ink2">Reading {table.open.opened.lines} lines …</Text>
            )}
            <Columns head={table.open.opened.head} choice={choice} onChange={setChoice} />
          </>
        ) : null}
      </ScrollView>
      {read ? (
        <View className="gap-2 border-t border-ink bg-sheet px-3 py-3">
          {none ? (
            <Notice kind="danger" live>
              No line could be read so: choose the columns.
            </Notice>
          ) : null}
          {tooMany ? (
            <Notice kind="danger" live>{`${read.read} readings: at most ${MOST_READINGS} are taken. Thin the table first.`}</Notice>
          ) : null}
          <Button
            label={read.bad.length ? `Keep the ${read.read} that could be read` : `Keep all ${read.read} readings`}
            kind="main"
            disabled={none || tooMany}
            onPress={() => void keep()}
          />
        </View>
      ) : null}
    </View>
  );
}

function Summary({ parts, read, name }: { parts: JobParts; read: TableRead; name: string }) {
  const { units } = useUnits();
  const sheet = asSheet(parts.sheet.sheet);
  const view = useMemo(() => figureView({ log: read.log, sheet, circuit: resolveCircuit(sheet), heatOn: false }), [read, sheet]);
  const bad = badLinesText(read.bad);
  return (
    <View className="gap-3">
      <Notice kind={read.read > 0 ? 'sound' : 'caution'} title={name}>
        {readText(read, units)}
      </Notice>
      {bad ? (
        <Notice kind="caution" title={bad.title}>
          <View>
            {bad.lines.map((l) => (
              <Text key={l} className="text-small">
                {l}
              </Text>
            ))}
          </View>
        </Notice>
      ) : null}
      {read.read > 1 ? (
        <View className="-mx-4">
          <Figure view={view} units={units} height={230} />
        </View>
      ) : null}
    </View>
  );
}

function Columns({ head, choice, onChange }: { head: string[][]; choice: TableChoice; onChange: (c: TableChoice) => void }) {
  const width = Math.max(0, ...head.map((r) => r.length));
  const names = Array.from({ length: width }, (_, i) => (choice.headerLines > 0 ? head[0]?.[i]?.trim() : '') || `Column ${i + 1}`);
  return (
    <View className="gap-4 border-t border-hair pt-4">
      <Text role="heading" aria-level={2} className="font-semibold text-lead">
        How it is read
      </Text>
      {COLUMN_ROLES.map((role) => (
        <Choice
          key={role}
          label={ROLE_TITLES[role]}
          value={String(choice.columns[role] ?? 'none')}
          onChange={(v) => onChange({ ...choice, columns: { ...choice.columns, [role]: v === 'none' ? null : Number(v) } })}
          options={[
            ...names.map((n, i) => ({ value: String(i), label: n })),
            ...(role === 'time' || role === 'pressure' ? [] : [{ value: 'none', label: 'Not in it' }]),
          ]}
        />
      ))}
      <Choice<TimeKind>
        label="Time is written as"
        value={choice.timeKind}
        onChange={(timeKind) => onChange({ ...choice, timeKind })}
        options={TIME_KINDS.map((k) => ({ value: k, label: TIME_TITLES[k] }))}
      />
      {choice.timeKind === 'local' ? (
        <Choice
          label="In 04/03, first comes"
          value={choice.dateOrder}
          onChange={(dateOrder) => onChange({ ...choice, dateOrder })}
          options={[
            { value: 'day-first', label: 'the day' },
            { value: 'month-first', label: 'the month' },
          ]}
        />
      ) : null}
      <Choice
        label="Pressure is in"
        value={choice.pressureUnit}
        onChange={(pressureUnit) => onChange({ ...choice, pressureUnit })}
        options={(['bar', 'psi', 'kPa', 'mbar'] as const).map((u) => ({ value: u, label: u }))}
      />
      <Choice
        label="Temperature is in"
        value={choice.temperatureUnit}
        onChange={(temperatureUnit) => onChange({ ...choice, temperatureUnit })}
        options={(['°C', '°F'] as const).map((u) => ({ value: u, label: u }))}
      />
    </View>
  );
}

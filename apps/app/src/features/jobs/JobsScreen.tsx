import { useQueryClient } from '@tanstack/react-query';
import { Link, router } from 'expo-router';
import { useMemo, useState, useSyncExternalStore } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { v7 } from 'uuid';
import { Button } from '../../ui/Button';
import { FileButton } from '../../ui/FileButton';
import { Notice } from '../../ui/Notice';
import { Place } from '../../ui/Place';
import { Text } from '../../ui/Text';
import { State } from '../../ui/State';
import { useStore } from '../../offline/SyncProvider';
import { openCaseFile, type CaseFileOpened } from '../caseFile/openCaseFile';
import { useUnits } from '../units/UnitsProvider';
import { useFillVerdicts, useVerdicts } from '../verdict/verdicts';
import { useJobs } from './jobData';
import { DueList } from './DueList';
import { dueRows, jobRows, type DueRow, type JobRow, type RowTone } from './jobsView';
import { SyncBadge } from './SyncBadge';
import { weekday } from '../units/dates';

/** The clock for "18 min ago": a minute is fine enough. */
const minuteClock = {
  subscribe: (f: () => void) => {
    const t = setInterval(f, 30_000);
    return () => clearInterval(t);
  },
  now: () => Math.floor(Date.now() / 30_000) * 30_000,
};

export function JobsScreen() {
  const jobs = useJobs();
  const client = useQueryClient();
  const { units } = useUnits();
  const nowMs = useSyncExternalStore(minuteClock.subscribe, minuteClock.now);
  const known = useMemo(() => jobs.data ?? [], [jobs.data]);
  const verdicts = useVerdicts(known);
  const rows = useMemo(() => (jobs.data ? jobRows(jobs.data, units, nowMs, verdicts) : null), [jobs.data, units, nowMs, verdicts]);
  const judgeable = useMemo(() => known.filter((j) => rows?.some((r) => r.id === j.job.id && !r.closed && r.begun)), [known, rows]);
  useFillVerdicts(judgeable, verdicts);
  const due = useMemo(() => dueRows(jobs.data ?? [], nowMs), [jobs.data, nowMs]);
  const { sync } = useStore();
  const seen = async (row: DueRow) => {
    const now = new Date().toISOString();
    await sync.save([
      {
        kind: 'fact',
        record: {
          id: v7(),
          jobId: row.jobId,
          recordedAt: now,
          correctsId: row.factId,
          body: { kind: 'check', at: now, check: row.check, due: row.due, done: true },
        },
      },
    ]);
    await client.invalidateQueries({ queryKey: ['records'] });
  };
  // What is due today or overdue stands before the jobs, the rest after them.
  const pressing = due.some((r) => r.days <= 0);
  const dueList = <DueList rows={due} onDone={(r) => void seen(r)} />;
  const open = rows?.filter((r) => !r.closed) ?? [],
    closed = rows?.filter((r) => r.closed) ?? [];
  const [showClosed, setShowClosed] = useState(false);
  const title = `${weekday(nowMs)}, ${open.length} ${open.length === 1 ? 'job' : 'jobs'}`;
  return (
    <Place at="jobs" foot={<Button label="New job" kind="main" onPress={() => router.navigate('/jobs/new')} />}>
      <View className="flex-row items-center justify-between gap-3 px-4 pb-2 pt-5">
        <Text role="heading" aria-level={1} className="min-w-0 flex-1 font-figure text-head">
          {rows ? title : 'Jobs'}
        </Text>
        <SyncBadge />
      </View>
      {jobs.isError ? (
        <State
          title="The jobs could not be read from this device"
          text={String(jobs.error)}
          action={{ label: 'Try again', onPress: () => void jobs.refetch() }}
        />
      ) : null}
      <ScrollView className="flex-1">
        {pressing ? dueList : null}
        {rows?.length === 0 ? <State title="No jobs yet" text="Make one from a complaint, or open a case file." /> : null}
        <View role="list" aria-label="Jobs">
          {open.map((r) => (
            <Row key={r.id} row={r} />
          ))}
        </View>
        {closed.length > 0 ? (
          <View>
            <Pressable
              role="button"
              aria-expanded={showClosed}
              onPress={() => setShowClosed(!showClosed)}
              className="min-h-[52px] flex-row items-center justify-between border-b border-hair px-4 active:bg-sheet"
            >
              <Text className="font-medium">{`Closed, ${closed.length}`}</Text>
              <Text className="text-ink2">{showClosed ? 'Fold away' : 'Show'}</Text>
            </Pressable>
            {showClosed ? (
              <View role="list" aria-label="Closed jobs">
                {closed.map((r) => (
                  <Row key={r.id} row={r} />
                ))}
              </View>
            ) : null}
          </View>
        ) : null}
        {pressing ? null : dueList}
        <CaseFileOpener />
      </ScrollView>
    </Place>
  );
}

const TONE: Record<RowTone, string> = {
  oxide: 'text-oxide',
  verdigris: 'text-verdigris',
  slate: 'text-slate',
  copper: 'text-copper',
  brass: 'text-brass',
  ink: 'text-ink',
  ink2: 'text-ink2',
};

function Row({ row }: { row: JobRow }) {
  return (
    <View role="listitem" className="border-b border-hair">
      <Link href={`/jobs/${row.id}`} asChild>
        <Pressable className="min-h-[72px] flex-row items-center gap-3 px-4 py-3 active:bg-sheet">
          <Text numberOfLines={1} className={`w-[64px] font-figure text-head ${TONE[row.numberTone]}`}>
            {row.number}
          </Text>
          <View className="min-w-0 flex-1 gap-0.5">
            <Text numberOfLines={2} className="font-semibold text-lead">
              {row.site}
            </Text>
            <Text numberOfLines={3} className="text-small text-ink2">
              {row.line}
            </Text>
          </View>
          <View className="items-end gap-0.5">
            <Text className={`font-semibold text-small ${TONE[row.statusTone]}`}>{row.status}</Text>
            <Text className="text-small text-ink2">{row.when}</Text>
          </View>
        </Pressable>
      </Link>
    </View>
  );
}

/** Opens a case file from the device: nothing of it is kept unless all of it is right. */
function CaseFileOpener() {
  const { sync } = useStore();
  const [result, setResult] = useState<CaseFileOpened | null>(null);
  const jobs = useJobs();
  const take = async (file: File) => {
    const opened = await openCaseFile(file, sync);
    setResult(opened);
    if (opened.kind === 'ok') {
      await jobs.refetch();
      router.navigate(`/jobs/${opened.jobId}`);
    }
  };
  return (
    <View className="gap-3 px-4 py-5">
      <FileButton
        label="Open a case file"
        name="Case file"
        accept=".json,application/json"
        testID="case-file"
        onFile={(f) => void take(f)}
      />
      {result?.kind === 'bad' ? (
        <Notice kind="danger" title={`${result.name} was not opened; nothing was changed`} live>
          <View className="gap-1">
            {result.lines.slice(0, 6).map((l) => (
              <Text key={l} className="text-small">
                {l}
              </Text>
            ))}
            {result.lines.length > 6 ? <Text className="text-small">and {result.lines.length - 6} more</Text> : null}
          </View>
        </Notice>
      ) : null}
    </View>
  );
}

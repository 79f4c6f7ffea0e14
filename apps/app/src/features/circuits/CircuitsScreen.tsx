import { Link } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { Field } from '../../ui/Field';
import { Header } from '../../ui/Header';
import { Place } from '../../ui/Place';
import { State } from '../../ui/State';
import { Text } from '../../ui/Text';
import { useJobs } from '../jobs/jobData';
import { useUnits } from '../units/UnitsProvider';
import { circuitRows, isNamed, type CircuitRow } from './circuitsView';

/** Every circuit that was ever visited, found by a word; each opens with its history. */
export function CircuitsScreen() {
  const jobs = useJobs();
  const { units } = useUnits();
  const [word, setWord] = useState('');
  const [openedMs] = useState(() => Date.now());
  const all = useMemo(() => (jobs.data ? circuitRows(jobs.data, units, openedMs) : null), [jobs.data, units, openedMs]);
  const rows = all?.filter((r) => isNamed(r, word)) ?? null;
  return (
    <Place at="circuits">
      <Header title="Circuits" subtitle="Last cold pressure, visits, and what is due" />
      {jobs.isError ? (
        <State
          title="The circuits could not be read from this device"
          text={String(jobs.error)}
          action={{ label: 'Try again', onPress: () => void jobs.refetch() }}
        />
      ) : null}
      <ScrollView className="flex-1" contentContainerClassName="pb-6">
        <View className="px-4 pb-3 pt-4">
          <Field label="Find a site or town" value={word} onChange={setWord} />
        </View>
        {rows?.length === 0 ? (
          <State
            title={word.trim() ? 'None of that name' : 'No circuits yet'}
            text={word.trim() ? 'Look for a part of the site’s or the town’s name.' : 'A circuit stands here from its first job on.'}
          />
        ) : null}
        <View role="list" aria-label="Circuits">
          {rows?.map((r) => (
            <Row key={r.circuitId} row={r} />
          ))}
        </View>
      </ScrollView>
    </Place>
  );
}

function Row({ row }: { row: CircuitRow }) {
  return (
    <View role="listitem" className="border-t border-hair">
      <Link href={`/jobs/${row.jobId}/history?from=circuits` as never} asChild>
        <Pressable className="min-h-[64px] flex-row items-center gap-3 px-4 py-2.5 active:bg-sheet">
          <Text numberOfLines={1} className="w-[64px] font-figure text-head">
            {row.cold}
          </Text>
          <View className="min-w-0 flex-1 gap-0.5">
            <Text numberOfLines={2} className="font-semibold text-lead">
              {row.site}
            </Text>
            <Text numberOfLines={2} className="text-small text-ink2">
              {row.plant}
            </Text>
          </View>
          <View className="items-end gap-0.5">
            <Text className="font-medium text-small">{row.visits}</Text>
            <Text className={`text-small ${row.overdue ? 'font-semibold text-oxide' : 'text-ink2'}`}>{row.when}</Text>
          </View>
        </Pressable>
      </Link>
    </View>
  );
}

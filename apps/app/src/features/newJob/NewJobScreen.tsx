import { useQueryClient } from '@tanstack/react-query';
import { router } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { v7 } from 'uuid';
import { COMPLAINT_ROWS, COMPLAINTS, type Complaint } from '@jumper/core';
import { useStore } from '../../offline/SyncProvider';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Header } from '../../ui/Header';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { SheetFields } from '../sheet/SheetFields';
import { blankForm, sheetOf } from '../sheet/sheetForm';
import { useUnits } from '../units/UnitsProvider';

const SHOWN = COMPLAINTS.filter((c) => c !== 'level-wrong');

/** A job from a complaint: where, what, and the facts of the circuit, which all have a default. */
export function NewJobScreen() {
  const { units } = useUnits();
  const { sync } = useStore();
  const client = useQueryClient();
  const [complaint, setComplaint] = useState<Complaint[]>([]);
  const [form, setForm] = useState(() => blankForm(units));
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [facts, setFacts] = useState(false);
  const bad = Object.values(problems);

  const begin = async () => {
    const result = sheetOf(form, units);
    if (result.kind === 'bad') {
      setProblems(result.problems);
      if (Object.keys(result.problems).some((f) => f !== 'site')) setFacts(true);
      return;
    }
    const now = new Date().toISOString();
    const circuitId = v7(), jobId = v7();
    await sync.save([
      { kind: 'circuit', record: { id: circuitId, createdAt: now } },
      { kind: 'sheet', record: { id: v7(), circuitId, recordedAt: now, site: result.site, ...(result.town ? { town: result.town } : {}), sheet: result.sheet as never, assumed: result.assumed } },
      { kind: 'job', record: { id: jobId, circuitId, openedAt: now, complaint } },
    ]);
    await client.invalidateQueries({ queryKey: ['records'] });
    router.replace(`/jobs/${jobId}`);
  };

  return (
    <View className="mx-auto w-full max-w-[760px] flex-1">
      <Header title="New job" subtitle="Wall boiler, sealed" backTo="/" />
      <ScrollView className="flex-1" contentContainerClassName="gap-5 p-4">
        <Field label="Site" value={form.site} onChange={(site) => setForm({ ...form, site })} problem={problems.site ?? null} hint="Street and number, or the name of the house" />
        <View role="group" aria-label="What is the complaint" className="gap-2">
          <Text className="font-medium text-[14px] text-ink2">What is the complaint</Text>
          <View className="flex-row flex-wrap gap-2">
            {SHOWN.map((c) => <Key key={c} label={COMPLAINT_ROWS[c].title} pressed={complaint.includes(c)} className="px-3" onPress={() => setComplaint(complaint.includes(c) ? complaint.filter((x) => x !== c) : [...complaint, c])} />)}
          </View>
        </View>
        <View className="gap-3 border-t border-hair pt-4">
          <Text className="font-semibold text-[17px]">The circuit</Text>
          <Text className="text-ink2">{form.assumed.length === 0 ? 'All read off the plant.' : `${form.assumed.length} facts are assumed, as on most wall boilers. What is assumed widens every answer.`}</Text>
          {facts ? <SheetFields form={form} problems={problems} units={units} onChange={setForm} /> : <Button label="Enter what you know" onPress={() => setFacts(true)} />}
        </View>
      </ScrollView>
      <View className="gap-2 border-t border-ink bg-sheet px-3 py-3">
        {bad.length > 0 ? <Notice kind="danger" live>{bad[0]!}</Notice> : null}
        <Button label="Begin the log" kind="main" onPress={() => void begin()} />
      </View>
    </View>
  );
}

import { useQueryClient } from '@tanstack/react-query';
import { router } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { v7 } from 'uuid';
import type { SheetRecord } from '@jumper/contract';
import {
  chargeOfSchool,
  COMPLAINT_ROWS,
  COMPLAINTS,
  vesselsOf,
  withCharge,
  type CircuitSheet,
  type Complaint,
  type ReplaceablePart,
} from '@jumper/core';
import { useStore } from '../../offline/SyncProvider';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Header } from '../../ui/Header';
import { Notice } from '../../ui/Notice';
import { Several } from '../../ui/Several';
import { Text } from '../../ui/Text';
import { SheetFields } from '../sheet/SheetFields';
import { Choice } from '../../ui/Choice';
import { Columns, useRoom } from '../../ui/Columns';
import { CircuitPicker } from '../jobs/CircuitPicker';
import { useJobs } from '../jobs/jobData';
import { PLANT_IDS, PLANT_TITLES, type PlantId } from '../sheet/plants';
import { blankForm, formOf, sheetOf } from '../sheet/sheetForm';
import { companySchools } from '../work/companySchools';
import { useUnits } from '../units/UnitsProvider';
import { PART_OPTIONS } from '../van/partOptions';

const COMPLAINTS_SHOWN = COMPLAINTS.filter((c) => c !== 'level-wrong').map((value) => ({ value, label: COMPLAINT_ROWS[value].title }));

/** A job from a complaint: where, what, and the facts of the circuit, which all have a default. */
export function NewJobScreen() {
  const { units } = useUnits();
  const { sync } = useStore();
  const client = useQueryClient();
  const [complaint, setComplaint] = useState<Complaint[]>([]);
  const [form, setForm] = useState(() => blankForm(units));
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [facts, setFacts] = useState(false);
  const [plant, setPlant] = useState<PlantId>('wall-boiler');
  const [known, setKnown] = useState<SheetRecord | null>(null);
  const [picking, setPicking] = useState(false);
  const [changed, setChanged] = useState<ReplaceablePart[]>([]);
  const takePlant = (p: PlantId) => {
    setPlant(p);
    setForm({ ...blankForm(units, p), site: form.site, town: form.town });
    setProblems({});
  };
  const takeKnown = (s: SheetRecord) => {
    setKnown(s);
    setForm(formOf(s, units));
    setPicking(false);
    setProblems({});
  };
  const company = companySchools(useJobs().data ?? []);
  // A new circuit goes by the company's way of charging, where it has one and nothing was typed.
  const byCompany = (sheet: CircuitSheet) => {
    const school = company.get('precharge'),
      bar = school && !vesselsOf(sheet).some((v) => v.targetPrechargeBar !== undefined) ? chargeOfSchool(sheet, school) : null;
    return bar === null ? sheet : withCharge(sheet, bar);
  };
  const bad = Object.values(problems);

  const begin = async () => {
    const result = sheetOf(form, units, known?.sheet as CircuitSheet | undefined);
    if (result.kind === 'bad') {
      setProblems(result.problems);
      if (Object.keys(result.problems).some((f) => f !== 'site')) setFacts(true);
      return;
    }
    const now = new Date().toISOString();
    const circuitId = known?.circuitId ?? v7(),
      jobId = v7();
    const sheet: SheetRecord = {
      id: v7(),
      circuitId,
      recordedAt: now,
      site: result.site,
      ...(result.town ? { town: result.town } : {}),
      sheet: (known ? result.sheet : byCompany(result.sheet)) as never,
      assumed: result.assumed,
    };
    // A circuit that is known keeps its history; its sheet is written again only where something on it changed.
    const same =
      known !== null &&
      JSON.stringify([known.site, known.town, known.sheet, known.assumed]) ===
        JSON.stringify([sheet.site, sheet.town, sheet.sheet, sheet.assumed]);
    await sync.save([
      ...(known ? [] : [{ kind: 'circuit' as const, record: { id: circuitId, createdAt: now } }]),
      ...(same ? [] : [{ kind: 'sheet' as const, record: sheet }]),
      {
        kind: 'job',
        record: {
          id: jobId,
          circuitId,
          openedAt: now,
          complaint,
          ...(changed.length ? { alreadyDone: changed.map((part) => ({ part })) } : {}),
        },
      },
    ]);
    await client.invalidateQueries({ queryKey: ['records'] });
    router.replace(`/jobs/${jobId}`);
  };

  const room = useRoom();
  return (
    <View className={`mx-auto w-full flex-1 ${room}`}>
      <Header title="New job" subtitle={known ? `${known.site}, known circuit` : PLANT_TITLES[plant]} backTo="/" />
      <ScrollView className="flex-1" contentContainerClassName="gap-5 p-4">
        {picking ? (
          <CircuitPicker onPick={takeKnown} onClose={() => setPicking(false)} />
        ) : (
          <Button label={known ? 'Another circuit' : 'A circuit that you have been to'} onPress={() => setPicking(true)} />
        )}
        {known ? (
          <Button
            label="A new circuit after all"
            kind="quiet"
            onPress={() => {
              setKnown(null);
              setForm(blankForm(units, plant));
            }}
          />
        ) : (
          <Choice
            label="What kind of plant"
            value={plant}
            onChange={takePlant}
            options={PLANT_IDS.map((p) => ({ value: p, label: PLANT_TITLES[p] }))}
          />
        )}
        <Field
          label="Site"
          value={form.site}
          onChange={(site) => setForm({ ...form, site })}
          problem={problems.site ?? null}
          hint="Street and number, or the name of the house"
        />
        <Columns lines="gap-y-5">
          <Several label="What is the complaint" options={COMPLAINTS_SHOWN} value={complaint} onChange={setComplaint} />
          <Several label="What others have changed already" options={PART_OPTIONS} value={changed} onChange={setChanged} />
        </Columns>
        <View className="gap-3 border-t border-hair pt-4">
          <Text className="font-semibold text-lead">The circuit</Text>
          <Text className="text-ink2">
            {form.assumed.length === 0
              ? 'All read off the plant.'
              : `${form.assumed.length} facts are assumed, as on most such plants. What is assumed widens every answer.`}
          </Text>
          {facts ? (
            <SheetFields form={form} problems={problems} units={units} onChange={setForm} short />
          ) : (
            <Button label="Enter what you know" onPress={() => setFacts(true)} />
          )}
        </View>
      </ScrollView>
      <View className="gap-2 border-t border-ink bg-sheet px-3 py-3">
        {bad.length > 0 ? (
          <Notice kind="danger" live>
            {bad[0]!}
          </Notice>
        ) : null}
        <Button label="Start logging" kind="main" onPress={() => void begin()} />
      </View>
    </View>
  );
}

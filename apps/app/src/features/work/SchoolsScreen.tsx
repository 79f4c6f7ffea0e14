import { useMemo } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import type { JobParts } from '@jumper/contract';
import { resolveCircuit, schoolsOf, withCharge, type CircuitSheet, type School, type SchoolOption } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Header } from '../../ui/Header';
import { Text } from '../../ui/Text';
import { useAddFact } from '../jobs/useAddFact';
import { useJobs } from '../jobs/jobData';
import { WithJob } from '../jobs/WithJob';
import { quantityText } from '../units/quantity';
import { Spoken } from '../units/Spoken';
import { pressureText, signedPressure, type Units } from '../units/units';
import { useUnits } from '../units/UnitsProvider';
import { useSaveSheet } from '../sheet/useSaveSheet';
import { companySchools } from './companySchools';
import { workState } from './workState';

export function SchoolsScreen({ jobId }: { jobId: string }) {
  return (
    <WithJob jobId={jobId} opening="the schools">
      {(parts) => <Schools parts={parts} />}
    </WithJob>
  );
}

/** Where practitioners differ: the ways, what each comes to in this circuit, which is usual and why. */
function Schools({ parts }: { parts: JobParts }) {
  const { units } = useUnits();
  const add = useAddFact(parts.job.id);
  const jobs = useJobs();
  const company = useMemo(() => companySchools(jobs.data ?? []), [jobs.data]);
  const chosen = useMemo(() => workState(parts).schools, [parts]);
  const sheet = parts.sheet.sheet as unknown as CircuitSheet,
    saveSheet = useSaveSheet();
  const schools = useMemo(() => schoolsOf(sheet), [sheet]);
  const wanted = useMemo(() => resolveCircuit(sheet).prechargeGaugeBar, [sheet]);
  // What the school asks for, where that is not what the circuit goes by.
  const chargeHere = (s: School, follows: string) => {
    const bar = s.options.find((o) => o.id === follows)?.bar;
    return bar !== undefined && Math.abs(bar - wanted) > 0.005 ? { bar, wanted } : null;
  };
  return (
    <View className="mx-auto w-full max-w-[760px] flex-1">
      <Header title="Where practitioners differ" subtitle={parts.sheet.site} backTo={`/jobs/${parts.job.id}/work`} />
      <ScrollView className="flex-1" contentContainerClassName="gap-5 py-4">
        {schools.map((s) => {
          const house = company.get(s.id),
            usual = house && s.options.some((o) => o.id === house) ? house : s.usual;
          const follows = chosen.get(s.id) ?? usual;
          return (
            <SchoolBlock
              key={s.id}
              school={s}
              follows={follows}
              usual={usual}
              byHouse={usual === house}
              units={units}
              onPick={(option) => void add({ kind: 'school', at: new Date().toISOString(), school: s.id, option })}
              onHouse={() => void add({ kind: 'school', at: new Date().toISOString(), school: s.id, option: follows, forCompany: true })}
              {...(s.id === 'precharge'
                ? {
                    charge: chargeHere(s, follows),
                    onCharge: (bar: number) => void saveSheet({ ...parts.sheet, sheet: withCharge(sheet, bar) }),
                  }
                : {})}
            />
          );
        })}
      </ScrollView>
    </View>
  );
}

interface BlockProps {
  school: School;
  follows: string;
  usual: string;
  byHouse: boolean;
  units: Units;
  onPick: (option: string) => void;
  onHouse: () => void;
  charge?: { bar: number; wanted: number } | null;
  onCharge?: (bar: number) => void;
}

function SchoolBlock({ school, follows, usual, byHouse, units, onPick, onHouse, charge, onCharge }: BlockProps) {
  return (
    <View role="radiogroup" aria-label={school.title} className="gap-1">
      <Text role="heading" aria-level={2} className="px-4 font-semibold text-lead">
        {school.title}
      </Text>
      <Text className="px-4 pb-1 text-small text-ink2">
        <Spoken said={byHouse ? 'As your company does it.' : school.why} />
      </Text>
      {school.options.map((o) => (
        <Option key={o.id} option={o} on={o.id === follows} usual={o.id === usual} units={units} onPick={() => onPick(o.id)} />
      ))}
      {charge && onCharge ? (
        <View className="gap-2 px-4 pt-2">
          <Text>{`This circuit goes by ${pressureText(charge.wanted, units.pressure)} so far: the log, the tests and the run sheets.`}</Text>
          <Button label={`Go by ${pressureText(charge.bar, units.pressure)} here`} onPress={() => onCharge(charge.bar)} />
        </View>
      ) : null}
      {follows !== usual ? (
        <Pressable role="button" onPress={onHouse} className="min-h-[48px] justify-center px-4 active:opacity-70">
          <Text className="underline">Make this the company’s way</Text>
        </Pressable>
      ) : null}
    </View>
  );
}

function Option({
  option,
  on,
  usual,
  units,
  onPick,
}: {
  option: SchoolOption;
  on: boolean;
  usual: boolean;
  units: Units;
  onPick: () => void;
}) {
  const n = option.numbers;
  const numbers = n
    ? `hot ${pressureText(n.hotGaugeBar, units.pressure)}, rise ${signedPressure(n.swingBar, units.pressure)} ${units.pressure}, reserve ${quantityText(n.reserveL, 'volume', units)}, ${pressureText(Math.max(0, n.marginToReliefBar), units.pressure)} ${n.marginToReliefBar < 0 ? 'over' : 'below'} the relief`
    : null;
  return (
    <Pressable
      role="radio"
      aria-checked={on}
      onPress={onPick}
      className={`min-h-[56px] flex-row items-center gap-3 border-t border-hair px-4 py-2 active:bg-sheet ${on ? 'bg-sheet' : ''}`}
    >
      <View className={`h-[22px] w-[22px] items-center justify-center rounded-full border-[1.5px] border-ink`}>
        {on ? <View className="h-[12px] w-[12px] rounded-full bg-ink" /> : null}
      </View>
      <View className="min-w-0 flex-1 gap-0.5">
        <Text className={on ? 'font-semibold' : ''}>
          <Spoken said={option.text} />
          {option.bar !== undefined ? <Text className="font-semibold">{`  ${pressureText(option.bar, units.pressure)}`}</Text> : null}
          {usual ? <Text className="text-small text-verdigris">{'  usual'}</Text> : null}
        </Text>
        {numbers ? <Text className="font-medium text-small">{numbers}</Text> : null}
        <Text className="text-small text-ink2">
          <Spoken said={option.consequence} />
        </Text>
      </View>
    </Pressable>
  );
}

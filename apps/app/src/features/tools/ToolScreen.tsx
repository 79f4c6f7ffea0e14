import { router } from 'expo-router';
import { lazy, Suspense, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { asSheet, type JobParts } from '@jumper/contract';
import { CALCULATOR_IDS, calculator, isChoice, withCharge, type CalculatorId, type CircuitSheet } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Header } from '../../ui/Header';
import { Notice } from '../../ui/Notice';
import { State } from '../../ui/State';
import { Text } from '../../ui/Text';
import { useJob } from '../jobs/jobData';
import { useSaveSheet } from '../sheet/useSaveSheet';
import { shownAs } from '../units/quantity';
import { useUnits } from '../units/UnitsProvider';
import { curveView } from './curveView';
import { formOf, givenFromSheet, givenOf, linkOf, toolView, type Given } from './toolForm';

const Curve = lazy(() => import('./Curve'));
const NONE = '00000000-0000-7000-8000-000000000000';

export function ToolScreen({
  toolId,
  jobId,
  query,
}: {
  toolId: string;
  jobId?: string;
  query: Record<string, string | string[] | undefined>;
}) {
  const id = CALCULATOR_IDS.find((c) => c === toolId);
  const job = useJob(jobId ?? NONE);
  if (!id)
    return <State title="There is no such calculator" action={{ label: 'To the tools', onPress: () => router.navigate('/tools') }} />;
  if (jobId && job.isPending) return <State title="Opening the calculator …" />;
  return <Tool id={id} query={query} parts={jobId ? (job.data ?? null) : null} />;
}

const memory = (id: CalculatorId) => `jumper.tool.${id}`;
function remembered(id: CalculatorId): Given {
  try {
    return JSON.parse(localStorage.getItem(memory(id)) ?? '{}') as Given;
  } catch {
    return {};
  }
}

function Tool({ id, query, parts }: { id: CalculatorId; query: Record<string, string | string[] | undefined>; parts: JobParts | null }) {
  const c = calculator(id);
  const { units } = useUnits();
  const saveSheet = useSaveSheet();
  const [form, setForm] = useState(() =>
    formOf(
      id,
      givenOf(id, query) ?? (parts ? { ...remembered(id), ...givenFromSheet(asSheet(parts.sheet.sheet)) } : remembered(id)),
      units,
    ),
  );
  const [said, setSaid] = useState<string | null>(null);
  const view = useMemo(() => toolView(id, form, units), [id, form, units]);
  const curve = useMemo(() => (view.results.length ? curveView(id, view.given, units) : null), [id, view, units]);
  const change = (input: string, text: string) => {
    const next = { ...form, [input]: text };
    setForm(next);
    setSaid(null);
    const worked = toolView(id, next, units);
    if (worked.results.length) localStorage.setItem(memory(id), JSON.stringify(worked.given));
  };
  const share = async () => {
    const url = `${location.origin}${linkOf(id, view.given)}`;
    const nav = navigator as Navigator & { share?: (data: object) => Promise<void> };
    if (nav.share) await nav.share({ title: c.title, url }).catch(() => undefined);
    else {
      await navigator.clipboard?.writeText(url).catch(() => undefined);
      setSaid(`The link is copied: ${url}`);
    }
  };
  const keepInJob = async () => {
    if (!parts || !view.main || !c.sheetField) return;
    const sheet = asSheet(parts.sheet.sheet),
      value = Math.round(view.main.value * 1000) / 1000;
    const changed =
      c.sheetField.field === 'waterVolumeL'
        ? { ...sheet, waterVolumeL: value, waterVolumeSource: c.sheetField.measured ? 'measured' : 'estimated' }
        : withCharge(sheet, value);
    await saveSheet({
      ...parts.sheet,
      sheet: changed as CircuitSheet,
      assumed: parts.sheet.assumed.filter((f) => f !== c.sheetField!.field),
    });
    router.navigate(`/jobs/${parts.job.id}` as never);
  };
  const lead = view.results.find((r) => r.main);
  return (
    <View className="mx-auto w-full max-w-[760px] flex-1">
      <Header title={c.title} subtitle={parts ? parts.sheet.site : c.use} backTo={parts ? `/tools?job=${parts.job.id}` : '/tools'} />
      <ScrollView className="flex-1" contentContainerClassName="gap-5 p-4">
        <View testID="results" role="status" className="gap-2">
          {lead ? (
            <View>
              <Text className="text-body text-ink2">{lead.label}</Text>
              <Text testID="result" className="font-figure text-dial" style={{ fontVariant: ['tabular-nums'] }}>
                {lead.text}
              </Text>
              {lead.note ? <Text className="text-small text-ink2">{lead.note}</Text> : null}
            </View>
          ) : (
            <Text className="font-figure text-head text-ink2">–</Text>
          )}
          {view.results
            .filter((r) => !r.main)
            .map((r) => (
              <View key={r.id} className="gap-0.5 border-t border-hair py-1.5">
                <View className="flex-row gap-3">
                  <Text className="min-w-0 flex-1 text-ink2">{r.label}</Text>
                  <Text className="font-semibold">{r.text}</Text>
                </View>
                {r.note ? <Text className="text-small text-ink2">{r.note}</Text> : null}
              </View>
            ))}
          {view.problems[''] ? (
            <Notice kind="danger" live>
              {view.problems['']}
            </Notice>
          ) : null}
        </View>
        {c.inputs.map((i) =>
          isChoice(i) ? (
            <Choice key={i.id} label={i.label} value={form[i.id]!} onChange={(v) => change(i.id, v)} options={i.options} />
          ) : (
            <Field
              key={i.id}
              label={i.label}
              unit={shownAs(i.quantity, units).unit}
              numeric
              value={form[i.id]!}
              onChange={(t) => change(i.id, t)}
              problem={view.problems[i.id] ?? null}
              {...(i.hint ? { hint: i.hint } : {})}
            />
          ),
        )}
        {curve ? (
          <Suspense fallback={<View style={{ height: 180 }} />}>
            <Curve view={curve} />
          </Suspense>
        ) : null}
        <View className="gap-1 border-t border-hair pt-3">
          <Text className="text-small">
            <Text className="font-semibold text-small">How: </Text>
            {c.formula}
          </Text>
          <Text className="text-small text-ink2">Source: {c.source}</Text>
        </View>
        {said ? (
          <Notice kind="note" live>
            {said}
          </Notice>
        ) : null}
        <View className="gap-2">
          {parts && c.sheetField && view.main ? (
            <Button label="Put into this circuit’s sheet" kind="main" onPress={() => void keepInJob()} />
          ) : null}
          <Button label="Share with these numbers" disabled={!lead} onPress={() => void share()} />
          <Button
            label="Usual numbers again"
            kind="quiet"
            onPress={() => {
              localStorage.removeItem(memory(id));
              setForm(formOf(id, parts ? givenFromSheet(asSheet(parts.sheet.sheet)) : {}, units));
              setSaid(null);
            }}
          />
        </View>
      </ScrollView>
    </View>
  );
}

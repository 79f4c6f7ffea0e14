import type { ReactNode } from 'react';
import { View } from 'react-native';
import type { CustomerReport } from '@jumper/contract';
import { Picture } from '../../ui/Picture';
import { Text } from '../../ui/Text';
import { sectionsOf, type ReportSection } from './customerReport';
import { FoundLeft } from './FoundLeft';

const TONE = {
  pass: 'font-semibold text-verdigris',
  fail: 'font-semibold text-oxide',
  unclear: 'font-semibold text-brass',
  open: 'text-oxide',
} as const;

/** A report as it is read: on the technician's screen and under the customer's link alike.
 *  @param chart the run as a figure, between the numbers and what stays */
export function ReportBody({ report: r, chart, photos }: { report: CustomerReport; chart?: ReactNode; photos?: ReactNode }) {
  const { before, after } = sectionsOf(r);
  return (
    <>
      <View className="flex-row flex-wrap items-end justify-between gap-x-4 gap-y-2 border-b-[1.5px] border-ink pb-2">
        <View className="min-w-[220px] flex-1">
          <Text className="text-small text-ink2">{r.title}</Text>
          <Text role="heading" aria-level={2} className="font-semibold text-title">
            {r.site}
          </Text>
          <Text className="text-ink2">{r.date}</Text>
        </View>
        <View testID="firm" className="gap-0.5">
          {r.logo ? <Picture address={r.logo} alt={`Logo of ${r.company}`} width={120} height={48} whole /> : null}
          <Text className="font-semibold">{r.company}</Text>
          {[r.person, r.address, r.phone].filter(Boolean).map((l) => (
            <Text key={l} className="text-small text-ink2">
              {l}
            </Text>
          ))}
        </View>
      </View>
      {before.map((s) => (
        <Section key={s.title} section={s} />
      ))}
      <Part title="What it reads">
        <FoundLeft rows={r.rows} left={r.work.length > 0} />
      </Part>
      {chart}
      {photos}
      {after.map((s) => (
        <Section key={s.title} section={s} />
      ))}
    </>
  );
}

function Section({ section: { title, lines, tone } }: { section: ReportSection }) {
  return (
    <Part title={title}>
      {lines.map((l, i) => (
        <Text key={i} className={tone ? TONE[tone] : ''}>
          {l}
        </Text>
      ))}
    </Part>
  );
}

export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View className="gap-0.5">
      <Text role="heading" aria-level={3} className="font-semibold text-small text-ink2">
        {title}
      </Text>
      {children}
    </View>
  );
}

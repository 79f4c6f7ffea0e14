import { useMemo, useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import type { JobParts } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { Header } from '../../ui/Header';
import { Notice } from '../../ui/Notice';
import { flowsOnPaper, offPaper } from '../../ui/paper';
import { Picture } from '../../ui/Picture';
import { Text } from '../../ui/Text';
import { benchView } from '../bench/benchView';
import { useJobDiagnosis } from '../bench/useJobDiagnosis';
import { Figure } from '../figure/Figure';
import { WithJob } from '../jobs/WithJob';
import { useUnits } from '../units/UnitsProvider';
import { CustomerLink } from './CustomerLink';
import { customerReportOf } from './customerReport';
import { fileName, saveBlob } from '../caseFile/saveFile';
import { ON_A_PHONE, reportChart } from './reportChart';
import { reportDocument } from './reportDocument';
import { makePdf } from './savePdf';
import { FoundLeft } from './FoundLeft';
import { reportView } from './reportView';
import { useReportPhotos } from './useReportPhotos';
import { useSession } from './useSession';

export function ReportScreen({ jobId }: { jobId: string }) {
  return (
    <WithJob jobId={jobId} opening="the report">
      {(parts) => <Report parts={parts} />}
    </WithJob>
  );
}

const SOUND = { pass: 'text-verdigris', fail: 'text-oxide', unclear: 'text-brass' } as const;

/** One page that the customer keeps; printed or saved as PDF by the browser. */
function Report({ parts }: { parts: JobParts }) {
  const { units } = useUnits();
  const session = useSession();
  const { file, judged } = useJobDiagnosis(parts);
  const view = useMemo(() => reportView(parts, file, judged.data ?? null, units), [parts, file, judged.data, units]);
  const figure = useMemo(() => ({ ...benchView(parts, file, units).figure, forecast: null }), [parts, file, units]);
  const [making, setMaking] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  const chart = useMemo(() => (figure.taken > 1 ? reportChart(figure, units) : null), [figure, units]);
  const photos = useReportPhotos(parts);
  const head = { company: session?.company.name ?? '', person: session?.person.name ?? '' };
  const save = async () => {
    setMaking(true);
    setFailed(null);
    try {
      const document = reportDocument(view, head, chart, photos.data ?? []);
      saveBlob(await makePdf(document), fileName(parts.sheet.site, new Date(), 'pdf'));
    } catch (error) {
      setFailed(`The PDF could not be made: ${String(error)}. Print it instead.`);
    }
    setMaking(false);
  };
  const empty = figure.taken === 0 && view.tests.length === 0;
  return (
    <View className="mx-auto w-full max-w-[760px] flex-1">
      <View {...offPaper}>
        <Header title="Report" subtitle={parts.sheet.site} backTo={`/jobs/${parts.job.id}`} />
      </View>
      <ScrollView className="flex-1" tabIndex={0} role="region" aria-label="Report">
        <View {...flowsOnPaper} testID="report" aria-busy={judged.isFetching} className="gap-3 p-4">
          <View className="flex-row flex-wrap items-end justify-between gap-x-4 border-b-[1.5px] border-ink pb-2">
            <View className="min-w-[240px] flex-1">
              <Text className="text-small text-ink2">{view.title}</Text>
              <Text role="heading" aria-level={2} className="font-semibold text-title">
                {view.site}
              </Text>
            </View>
            <View>
              <Text className="font-semibold">{session?.company.name ?? ''}</Text>
              <Text className="text-ink2">
                {session ? `${session.person.name}, ` : ''}
                {view.date}
              </Text>
            </View>
          </View>
          <Part title="What you told us">
            <Text>{view.complaint}</Text>
          </Part>
          <Part title="What we found">
            <FoundLeft rows={view.rows} left={view.work.length > 0} />
          </Part>
          {figure.taken > 1 ? <Figure view={figure} units={units} height={230} quiet /> : null}
          {view.tests.length > 0 ? (
            <Part title="Tests">
              {view.tests.map((t, i) => (
                <Text key={i} className="text-small">
                  {t}
                </Text>
              ))}
            </Part>
          ) : null}
          <Part title="Cause">
            {empty ? <Text className="text-ink2">Nothing was measured yet.</Text> : <Text>{view.cause ?? 'Working it out …'}</Text>}
          </Part>
          <Part title="What we did">
            {view.work.length ? (
              view.work.map((w, i) => <Text key={i}>{w}</Text>)
            ) : (
              <Text className="text-ink2">No work was done on this visit.</Text>
            )}
          </Part>
          {view.parts.length > 0 ? (
            <Part title="Parts fitted">
              {view.parts.map((w) => (
                <Text key={w}>{w}</Text>
              ))}
            </Part>
          ) : null}
          {view.proof ? (
            <Part title="Proof">
              <Text className={`font-semibold text-lead ${SOUND[view.proof.kind]}`}>{view.proof.headline}</Text>
              {view.proof.lines.map((l) => (
                <Text key={l} className="text-small">
                  {l}
                </Text>
              ))}
            </Part>
          ) : null}
          {photos.data?.length ? (
            <Part title="Photos">
              <View className="flex-row flex-wrap gap-3">
                {photos.data.map((p, i) => (
                  <View key={i} className="w-[150px]">
                    <Picture address={p.address} alt={p.line} width={150} height={112} />
                    <Text className="text-small text-ink2">{p.line}</Text>
                  </View>
                ))}
              </View>
            </Part>
          ) : null}
          {view.said.length > 0 ? (
            <Part title="Advice, and what stays">
              {view.said.map((w) => (
                <Text key={w} className="text-small">
                  {w}
                </Text>
              ))}
            </Part>
          ) : null}
          {view.open.length > 0 ? (
            <Part title="Not put back yet">
              {view.open.map((w) => (
                <Text key={w} className="text-oxide">
                  {w}
                </Text>
              ))}
            </Part>
          ) : null}
          <Part title="For you">
            {view.advice.map((a) => (
              <Text key={a} className="text-small">
                {a}
              </Text>
            ))}
            {view.checks.length > 0 ? (
              view.checks.map((c) => (
                <Text key={c}>
                  <Text className="font-semibold">Next: </Text>
                  {c}
                </Text>
              ))
            ) : (
              <Text>
                <Text className="font-semibold">Next check: </Text>
                {view.nextCheck}
              </Text>
            )}
          </Part>
        </View>
        <View {...offPaper} className="px-4 pb-5">
          <CustomerLink
            jobId={parts.job.id}
            report={customerReportOf(view, head, figure.taken > 1 ? reportChart(figure, units, ON_A_PHONE) : null)}
          />
        </View>
      </ScrollView>
      <View {...offPaper} className="gap-2 border-t border-ink bg-sheet px-3 py-3">
        {failed ? (
          <Notice kind="danger" live>
            {failed}
          </Notice>
        ) : null}
        <View className="flex-row gap-2">
          <Button label="Print" className="w-[110px]" onPress={() => window.print()} />
          <Button
            label="Save as PDF"
            kind="main"
            className="flex-1"
            busy={making}
            disabled={judged.isFetching}
            onPress={() => void save()}
          />
        </View>
        <Text className="text-center text-small text-ink2">Made on this device; nothing is sent.</Text>
      </View>
    </View>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View className="gap-0.5">
      <Text role="heading" aria-level={3} className="font-semibold text-small text-ink2">
        {title}
      </Text>
      {children}
    </View>
  );
}

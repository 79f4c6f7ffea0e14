import { router } from 'expo-router';
import { useMemo, useState } from 'react';
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
import { jobPlace } from '../jobPlace/jobPlaces';
import { WithJob } from '../jobs/WithJob';
import { useUnits } from '../units/UnitsProvider';
import { CustomerLink } from './CustomerLink';
import { useFirm } from '../firm/firm';
import { customerReportOf, reportHead } from './customerReport';
import { fileName, saveBlob } from '../caseFile/saveFile';
import { ON_A_PHONE, reportChart } from './reportChart';
import { reportDocument } from './reportDocument';
import { makePdf } from './savePdf';
import { Part, ReportBody } from './ReportBody';
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

/** One page that the customer keeps; printed or saved as PDF by the browser. */
function Report({ parts }: { parts: JobParts }) {
  const { units } = useUnits();
  const session = useSession();
  const { file, judged } = useJobDiagnosis(parts);
  const firm = useFirm(),
    head = reportHead(firm, session);
  const view = useMemo(
    () => reportView(parts, file, judged.data ?? null, units, firm.phone.trim()),
    [parts, file, judged.data, units, firm],
  );
  const figure = useMemo(() => ({ ...benchView(parts, file, units).figure, forecast: null }), [parts, file, units]);
  const [making, setMaking] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  const chart = useMemo(() => (figure.taken > 1 ? reportChart(figure, units) : null), [figure, units]);
  const photos = useReportPhotos(parts);
  const report = customerReportOf(view, head, null);
  const save = async () => {
    setMaking(true);
    setFailed(null);
    try {
      const document = reportDocument(report, chart, photos.data ?? []);
      saveBlob(await makePdf(document), fileName(parts.sheet.site, new Date(), 'pdf'));
    } catch (error) {
      setFailed(`The PDF could not be made: ${String(error)}. Print it instead.`);
    }
    setMaking(false);
  };
  return (
    <View className="mx-auto w-full max-w-[760px] flex-1">
      <View {...offPaper}>
        <Header title="Report" subtitle={parts.sheet.site} backTo={jobPlace(parts.job.id, 'record')} />
      </View>
      <ScrollView className="flex-1" tabIndex={0} role="region" aria-label="Report">
        <View {...flowsOnPaper} testID="report" aria-busy={judged.isFetching} className="gap-3 p-4">
          <ReportBody
            report={report}
            chart={figure.taken > 1 ? <Figure view={figure} units={units} height={230} quiet /> : null}
            photos={
              photos.data?.length ? (
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
              ) : null
            }
          />
        </View>
        <View {...offPaper} className="gap-3 px-4 pb-5">
          {head.phone && head.address ? null : (
            <Notice kind="note" title="Address and number of the firm are missing">
              <Button label="Enter them in the settings" kind="quiet" onPress={() => router.navigate('/settings')} />
            </Notice>
          )}
          <CustomerLink
            jobId={parts.job.id}
            report={{ ...report, ...(figure.taken > 1 ? { chart: reportChart(figure, units, ON_A_PHONE) } : {}) }}
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

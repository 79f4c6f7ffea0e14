import { router } from 'expo-router';
import { Pressable, View } from 'react-native';
import { faultRow, lowerFirst, testRow, type Judgement, type Proof } from '@jumper/core';
import { Text } from '../../ui/Text';
import { waitText } from '../work/workWords';
import { costText } from './nextCost';
import { nextTest, proposalOf } from './suspects';

/** What was found points at what moves the water, not the pressure: no reading of the gauge is needed to go on. */
const pointsAtFlow = (j: Judgement | null): boolean =>
  j !== null && j.because.length > 0 && j.hypotheses[0] !== undefined && faultRow(j.hypotheses[0].faults[0]!).plant === 'circulation';

/** The one thing to do next, with its cost. Before there is any reading it is to take one, unless what was found has nothing to do with the
 *  pressure. */
export function NextStep({
  jobId,
  judgement,
  readings,
  busy,
  awaits,
  skipped,
}: {
  jobId: string;
  judgement: Judgement | null;
  readings: number;
  busy: boolean;
  /** What has to be measured after the work, where that is no test. */
  awaits: { title: string; text: string } | null;
  skipped: ReadonlyMap<string, string>;
}) {
  if (readings === 0 && !pointsAtFlow(judgement))
    return <Card title="Log the cold pressure" text="Then heat on, and a reading every minute or two." />;
  if (awaits) return <Card title={awaits.title} text={awaits.text} />;
  if (!judgement) return <Card title={busy ? 'Working it out …' : 'No judgement yet'} text="" />;
  const test = nextTest(judgement, skipped);
  if (!test) return <Card title="No test left that would tell more" text="Act on the first suspect, or log another heat cycle." />;
  const row = testRow(test),
    cost = costText(proposalOf(judgement, test) ?? row, row);
  return (
    <Card
      title={judgement.enoughKnown ? `To be sure: ${lowerFirst(row.title)}` : row.title}
      text={`${cost} ${row.tells}`}
      action={{ label: 'Start', name: `Start: ${row.title}`, onPress: () => router.navigate(`/jobs/${jobId}/test/${test}`) }}
    />
  );
}

/** What the proof asks for first: a heat run, the gauge watched, a pipe watched; null where it asks for no measuring, or another cause leads
 *  now and the next test is the way on. */
export function awaitedProof({ reasons }: Proof): { title: string; text: string } | null {
  const [first] = reasons;
  if (first?.code === 'no-run')
    return {
      title: 'Prove it: log a heat run',
      text: 'Cold pressure, heat on, then a reading every two minutes to the highest temperature.',
    };
  const watch = reasons.find((r) => r.code === 'no-watch');
  if (watch?.code === 'no-watch')
    return {
      title: 'Prove it: watch the gauge, heat off',
      text: `Everything as it should stand. Log the pressure now, and again in ${waitText(watch.neededMin)}.`,
    };
  const pipe = reasons.find((r) => r.code === 'would-not-show' && r.row.by === 'pipe');
  return pipe
    ? { title: 'Prove it: watch the discharge pipe', text: 'Through a heat run and a cold hour; then record how the pipe is.' }
    : null;
}

function Card({ title, text, action }: { title: string; text: string; action?: { label: string; name: string; onPress: () => void } }) {
  return (
    <View testID="next-step" className="flex-row overflow-hidden rounded border-[1.5px] border-ink bg-sheet">
      <View className="min-w-0 flex-1 gap-0.5 px-3 py-3">
        <Text role="heading" aria-level={2} className="font-semibold text-lead">
          {title}
        </Text>
        {text ? <Text className="text-small text-ink2">{text}</Text> : null}
      </View>
      {action ? (
        <Pressable
          role="button"
          aria-label={action.name}
          onPress={action.onPress}
          className="w-[86px] items-center justify-center bg-ink active:opacity-80"
        >
          <Text className="font-semibold text-body text-lime">{action.label}</Text>
        </Pressable>
      ) : null}
    </View>
  );
}

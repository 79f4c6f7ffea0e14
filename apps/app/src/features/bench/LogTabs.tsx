import { ScrollView } from 'react-native';
import { Key } from '../../ui/Key';
import type { BenchView } from './benchView';

/** Which of the job's logs the figure shows; not there with only one. */
export function LogTabs({ view, onChoose }: { view: BenchView; onChoose: (index: number) => void }) {
  if (view.logs.length === 0) return null;
  return (
    <ScrollView
      horizontal
      showsHorizontalScrollIndicator={false}
      role="group"
      aria-label="Logs of this job"
      contentContainerClassName="gap-2 px-4"
      className="grow-0"
    >
      {[...view.logs].reverse().map((l) => (
        <Key key={l.index} label={l.label} pressed={l.index === view.shown} className="px-3" onPress={() => onChoose(l.index)} />
      ))}
    </ScrollView>
  );
}

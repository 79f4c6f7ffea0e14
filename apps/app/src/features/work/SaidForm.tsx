import { useState } from 'react';
import { View } from 'react-native';
import type { FactBody } from '@jumper/contract';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';

type Said = Extract<FactBody, { kind: 'said' }>;
const ANSWERS: Record<Said['what'], { value: Said['answer']; label: string }[]> = {
  advice: [
    { value: 'accepted', label: 'Accepted' },
    { value: 'declined', label: 'Declined' },
  ],
  defect: [
    { value: 'left-in-service', label: 'Left in service' },
    { value: 'made-safe', label: 'Made safe' },
  ],
};

/** Advice that was given, a defect that stays: recorded with the customer's word. */
export function SaidForm({ onAdd }: { onAdd: (body: FactBody) => void }) {
  const [open, setOpen] = useState(false);
  const [what, setWhat] = useState<Said['what']>('advice');
  const [text, setText] = useState('');
  const [answer, setAnswer] = useState<Said['answer'] | null>(null);
  const [word, setWord] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  if (!open) return <Button label="Advice, or a defect that stays" onPress={() => setOpen(true)} />;
  const keep = () => {
    if (!text.trim()) return setProblem('What: say what was advised, or what is wrong.');
    if (!answer) return setProblem('Answer: say what came of it.');
    onAdd({
      kind: 'said',
      at: new Date().toISOString(),
      what,
      text: text.trim().slice(0, 1000),
      answer,
      ...(word.trim() ? { word: word.trim().slice(0, 400) } : {}),
    });
    setOpen(false);
    setText('');
    setAnswer(null);
    setWord('');
  };
  return (
    <View role="form" aria-label="Advice or defect" className="gap-3">
      <Choice
        label="It is"
        value={what}
        onChange={(v) => {
          setWhat(v);
          setAnswer(null);
        }}
        options={[
          { value: 'advice', label: 'Advice' },
          { value: 'defect', label: 'A defect' },
        ]}
      />
      <Field
        label="What"
        value={text}
        onChange={(t) => {
          setText(t);
          setProblem(null);
        }}
        problem={problem}
      />
      <Choice
        label="Answer"
        value={answer}
        onChange={(v) => {
          setAnswer(v);
          setProblem(null);
        }}
        options={ANSWERS[what]}
      />
      <Field label="Customer’s own words" value={word} onChange={setWord} hint="As he said it, if it matters later" />
      <View className="flex-row gap-2">
        <Button label="Keep" kind="next" className="flex-1" onPress={keep} />
        <Button label="Not now" kind="quiet" className="flex-1" onPress={() => setOpen(false)} />
      </View>
    </View>
  );
}

import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Key } from '../../ui/Key';

const REASONS = ['No access', 'Not wanted', 'No tool here', 'Not safe now'];

/** A test that is left out says why: the bench then offers the next one. */
export function SkipTest({ onSkip, onBack }: { onSkip: (reason: string) => void; onBack: () => void }) {
  const [why, setWhy] = useState('');
  return (
    <View role="form" aria-label="Leave this test out" className="gap-3">
      <View className="flex-row flex-wrap gap-2">
        {REASONS.map((r) => (
          <Key key={r} label={r} className="grow px-3" onPress={() => onSkip(r)} />
        ))}
      </View>
      <Field label="Another reason" value={why} onChange={setWhy} onSubmit={() => why.trim() && onSkip(why.trim().slice(0, 400))} />
      <View className="flex-row gap-2">
        <Button
          label="Leave it out"
          kind="next"
          className="flex-1"
          disabled={!why.trim()}
          onPress={() => onSkip(why.trim().slice(0, 400))}
        />
        <Button label="Back to the test" kind="quiet" className="flex-1" onPress={onBack} />
      </View>
    </View>
  );
}

import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { jobToCase, type FactBody, type JobParts } from '@jumper/contract';
import { lowerFirst, nextChecks } from '@jumper/core';
import { Button } from '../../ui/Button';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { isTemporary, type WorkState } from './workState';
import { addDays, checkTitle, dayText, putBackText } from './workWords';

interface Props {
  parts: JobParts;
  state: WorkState;
  proof: 'pass' | 'fail' | 'unclear' | null;
  faultFound: boolean;
  onAdd: (bodies: FactBody[]) => void;
}

/** The end of a visit: nothing left away by accident, what has to be looked at again, and when. */
export function CloseJob({ parts, state, proof, faultFound, onAdd }: Props) {
  const [nowMs] = useState(() => Date.now());
  const [left, setLeft] = useState<string[]>([]);
  const file = useMemo(() => jobToCase(parts), [parts]);
  const checks = useMemo(
    () =>
      nextChecks({
        sheet: file.circuit,
        repairs: file.repairs ?? [],
        findings: file.findings ?? [],
        temporary: isTemporary(state),
        unrepaired: faultFound && proof !== 'pass',
      }),
    [file, state, faultFound, proof],
  );
  if (state.closed)
    return (
      <View className="gap-3">
        <Notice kind="sound" title="The job is closed" live>
          {state.checks.some((c) => !c.body.done)
            ? `To look at again: ${state.checks.flatMap((c) => (c.body.done ? [] : [`${lowerFirst(checkTitle(c.body.check))}, ${dayText(c.body.due)}`])).join('; ')}.`
            : 'Nothing is due.'}
        </Notice>
        <Button label="Open the job again" onPress={() => onAdd([{ kind: 'status', at: new Date().toISOString(), status: 'open' }])} />
      </View>
    );
  const close = () => {
    const at = new Date().toISOString();
    onAdd([
      ...checks
        .filter((c) => !left.includes(c.check))
        .map((c): FactBody => ({ kind: 'check', at, check: c.check, due: addDays(nowMs, c.inDays) })),
      { kind: 'status', at, status: 'done' },
    ]);
  };
  return (
    <View role="form" aria-label="Close the job" className="gap-3">
      {state.open.length > 0 ? (
        <Notice
          kind="danger"
          title="Not put back yet"
          live
        >{`${state.open.map(putBackText).join('. ')}. Put it back above, or say that it stays.`}</Notice>
      ) : (
        <Notice kind="sound">Everything that was turned is back.</Notice>
      )}
      {proof === 'fail' ? (
        <Notice kind="danger">The run after the work says that it is not put right.</Notice>
      ) : proof === 'unclear' ? (
        <Notice kind="caution">The work is not proved: the log says how, or close it knowing that.</Notice>
      ) : null}
      <Text className="font-semibold">To look at again</Text>
      <View role="list" aria-label="To look at again">
        {checks.map((c) => (
          <View key={c.check} role="listitem" className="min-h-[52px] flex-row items-center gap-3 border-t border-hair py-1">
            <View className="min-w-0 flex-1">
              <Text className={left.includes(c.check) ? 'text-ink2 line-through' : ''}>{checkTitle(c.check)}</Text>
              <Text className="text-small text-ink2">{dayText(addDays(nowMs, c.inDays))}</Text>
            </View>
            <Key
              label={left.includes(c.check) ? 'Take in' : 'Leave out'}
              name={`${left.includes(c.check) ? 'Take in' : 'Leave out'}: ${checkTitle(c.check)}`}
              className="px-3"
              onPress={() => setLeft(left.includes(c.check) ? left.filter((x) => x !== c.check) : [...left, c.check])}
            />
          </View>
        ))}
        {checks.length === 0 ? <Text className="text-ink2">Nothing is due.</Text> : null}
      </View>
      <Button label="Close it" kind="main" disabled={state.open.length > 0} onPress={close} />
    </View>
  );
}

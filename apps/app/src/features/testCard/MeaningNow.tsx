import { readFinding, type CircuitSheet, type Finding, type Said } from '@jumper/core';
import { Notice } from '../../ui/Notice';
import { Spoken } from '../units/Spoken';

const HEADS = { low: 'Lower than it should be here', right: 'As it should be here', high: 'Higher than it should be here' } as const;
const FALLS = { low: 'It fell', right: 'It stood still', high: 'It rose' } as const;

/** What the value typed so far means in this circuit, before it is recorded. */
export function MeaningNow({ finding, sheet, means }: { finding: Finding; sheet: CircuitSheet; means: Record<string, Said> }) {
  const reading = readFinding(finding, sheet);
  if (!reading || !means[reading]) return null;
  const moved = finding.startBar !== undefined || finding.boilerStartBar !== undefined;
  return (
    <Notice kind={reading === 'right' ? 'sound' : 'note'} title={moved ? FALLS[reading] : HEADS[reading]} live>
      <Spoken said={means[reading]} />
    </Notice>
  );
}

import type { Judgement, NextTest, Outlook, TestId } from '@jumper/core';
import { proposalOf } from '../bench/suspects';

type Proposing = Pick<Judgement, 'nextTests' | 'proof'>;

const proposedNow = (diagnosis: (Proposing & { now?: Proposing }) | undefined, test: TestId): NextTest | null =>
  diagnosis ? proposalOf(diagnosis.now ?? diagnosis, test) : null;

/** Whether the judge had asked for a test by itself: as one that would tell more, or as the one that would prove it wrong. */
export const isProposed = (...asked: Parameters<typeof proposedNow>): boolean => proposedNow(...asked) !== null;

/** How the judge expects a test to come out that it asks for; nothing of another. */
export const outlookOn = (...asked: Parameters<typeof proposedNow>): readonly Outlook[] => proposedNow(...asked)?.outlook ?? [];

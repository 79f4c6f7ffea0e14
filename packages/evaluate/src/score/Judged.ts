import type { Tier, Truth } from '../truth/makeCase';

interface Interval {
  median: number;
  p05: number;
  p95: number;
}
export type EstimateName = 'prechargeBar' | 'waterVolumeL' | 'inflowLPerH' | 'lossLPerH' | 'gaugeOffsetBar' | 'reliefLiftBar';
export interface Answer {
  hypotheses: { faults: string[]; probability: number }[];
  estimates: Record<EstimateName, Interval | null>;
}
export interface Judged {
  id: string;
  tier: Tier;
  truth: Truth;
  testsDone: string[];
  answer: Answer;
  rule: string[];
  seconds: number;
}

import { z } from 'zod';
import { EVENT_KINDS, FAULT_IDS, type FaultId } from '@jumper/core';
import { circuitSheet, temperatureC } from './caseFile';

const seconds = z.number().min(0, 'must be at least 0').max(366 * 86_400, 'must be at most a year');

export const simulationRequest = z.looseObject({
  circuit: circuitSheet,
  faults: z.array(z.looseObject({ id: z.enum(FAULT_IDS as [FaultId, ...FaultId[]]), severity: z.number().min(0, 'must be at least 0').max(1, 'must be at most 1'), startS: seconds.optional(), parameters: z.record(z.string(), z.number()).optional() })),
  schedule: z.looseObject({
    startC: temperatureC.min(1, 'must be at least 1').max(90, 'must be at most 90'),
    durationS: seconds,
    stepS: z.number().gt(0, 'must be above 0'),
    heat: z.array(z.looseObject({ onS: seconds, offS: seconds, maxC: temperatureC.optional() })),
    actions: z.array(z.looseObject({ tS: seconds, kind: z.enum(EVENT_KINDS), volumeL: z.number().gt(0).optional(), text: z.string().optional() })).optional(),
  }),
  gauge: z.looseObject({ resolutionBar: z.number().gt(0).max(2).optional(), noiseBar: z.number().min(0).max(1).optional() }).optional(),
  seed: z.int().min(0).optional(),
});

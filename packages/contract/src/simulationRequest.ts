import { z } from 'zod';
import { EVENT_KINDS, FAULT_IDS, FAULT_PARAMETERS, type FaultId } from '@jumper/core';
import { circuitSheet, temperatureC } from './caseFile';

const seconds = z
  .number()
  .min(0, 'must be at least 0')
  .max(366 * 86_400, 'must be at most a year');

const zone = z.looseObject({ share: z.number().gt(0).max(1), openS: z.array(z.looseObject({ fromS: seconds, toS: seconds })).optional() });

export const simulationRequest = z.looseObject({
  circuit: circuitSheet,
  faults: z.array(
    z.looseObject({
      id: z.enum(FAULT_IDS as [FaultId, ...FaultId[]]),
      severity: z.number().min(0, 'must be at least 0').max(1, 'must be at most 1'),
      startS: seconds.optional(),
      parameters: z.partialRecord(z.enum(FAULT_PARAMETERS), z.number()).optional(),
    }),
  ),
  schedule: z.looseObject({
    startC: temperatureC.min(1, 'must be at least 1').max(90, 'must be at most 90'),
    durationS: seconds,
    stepS: z.number().gt(0, 'must be above 0'),
    heat: z.array(z.looseObject({ onS: seconds, offS: seconds, maxC: temperatureC.optional() })),
    actions: z
      .array(z.looseObject({ tS: seconds, kind: z.enum(EVENT_KINDS), volumeL: z.number().gt(0).optional(), text: z.string().optional() }))
      .optional(),
  }),
  gauge: z
    .looseObject({
      resolutionBar: z.number().gt(0).max(2).optional(),
      noiseBar: z.number().min(0).max(1).optional(),
      offsetBar: z.number().min(-3).max(3).optional(),
      stictionBar: z.number().min(0).max(2).optional(),
      parallaxBar: z.number().min(-1).max(1).optional(),
      lagS: z.number().min(0).max(3600).optional(),
      driftBarPerDay: z.number().min(-1).max(1).optional(),
    })
    .optional(),
  plant: z
    .looseObject({
      heatedShare: z.number().gt(0).max(1).optional(),
      zones: z
        .array(zone)
        .min(1)
        .max(40)
        .refine((zones) => Math.abs(zones.reduce((s, x) => s + x.share, 0) - 1) < 1e-6, 'shares must add up to 1')
        .optional(),
      roomC: z.number().min(-5).max(40).optional(),
      gasWarmsShare: z.number().min(0).max(1).optional(),
      mainsSwingBar: z.number().min(0).max(5).optional(),
      startHour: z.number().min(0).max(24).optional(),
      topsUpBelowGaugeBar: z.number().min(0).max(10).optional(),
      stretchLPerBar: z.number().gt(0).max(100).optional(),
      airBarL: z.number().min(0).max(1000).optional(),
      airHeightM: z.number().min(-200).max(200).optional(),
      pumpHeadBar: z.number().min(0).max(10).optional(),
    })
    .optional(),
  seed: z.int().min(0).optional(),
});

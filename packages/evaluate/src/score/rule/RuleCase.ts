/** A case as the rule of thumb reads it: plain data of the open format. */
export interface RuleCase {
  circuit: {
    waterVolumeL?: number;
    heatOutputKw?: number;
    staticHeadM?: number;
    maxFlowC?: number;
    gauge?: { kind?: string; resolutionBar?: number };
    vessel?: RuleVessel;
    vessels?: RuleVessel[];
    reliefValve: { setBar: number };
    fill?: { kind: string; setBar?: number; cutInBar?: number; cutOutBar?: number };
    domesticHotWater?: { kind: string };
  };
  logs: RuleLog[];
  findings: RuleFinding[];
}
export interface RuleVessel {
  nominalVolumeL?: number;
  labelPrechargeBar?: number;
  targetPrechargeBar?: number;
  isolationValve?: string;
}
export interface RuleLog {
  samples: { tS: number[]; pressureBar: (number | null)[]; flowC?: (number | null)[]; returnC?: (number | null)[] };
  events: { tS: number; kind: string }[];
}
export interface RuleFinding {
  test: string;
  outcome?: string;
  water?: string;
  during?: string;
  [value: string]: unknown;
}

import type { SheetForm } from './SheetFormType';
import { NUMBER_FIELDS } from './numberFields';

export const PLANT_IDS = ['wall-boiler', 'larger-home', 'fed', 'commercial'] as const;
export type PlantId = (typeof PLANT_IDS)[number];
export const PLANT_TITLES: Record<PlantId, string> = {
  'wall-boiler': 'Wall boiler, sealed',
  'larger-home': 'Larger home, cylinder',
  fed: 'Fed circuit, zones',
  commercial: 'Commercial plant',
};

type Usual = Pick<SheetForm, 'numbers' | 'fill' | 'hotWater'>;
/** Each kind of plant as most are; common practice. Everything is assumed until it is touched. */
const USUAL: Record<PlantId, Usual> = {
  'wall-boiler': {
    fill: 'manual-loop',
    hotWater: 'plate-exchanger',
    numbers: {
      'reliefValve.setBar': '3',
      'vessel.nominalVolumeL': '8',
      'vessel.labelPrechargeBar': '0.75',
      staticHeadM: '4',
      waterVolumeL: '95',
      heatOutputKw: '24',
      maxFlowC: '70',
      'gauge.resolutionBar': '0.1',
      'fill.mainsBar': '3.5',
    },
  },
  'larger-home': {
    fill: 'manual-loop',
    hotWater: 'indirect-coil',
    numbers: {
      'reliefValve.setBar': '3',
      'vessel.nominalVolumeL': '18',
      'vessel.labelPrechargeBar': '1',
      staticHeadM: '6',
      waterVolumeL: '180',
      heatOutputKw: '30',
      maxFlowC: '75',
      'gauge.resolutionBar': '0.1',
      'fill.mainsBar': '3.5',
    },
  },
  fed: {
    fill: 'reducing-valve',
    hotWater: 'indirect-coil',
    numbers: {
      'reliefValve.setBar': '2.07',
      'vessel.nominalVolumeL': '35',
      'vessel.labelPrechargeBar': '0.83',
      staticHeadM: '5.5',
      waterVolumeL: '240',
      heatOutputKw: '40',
      maxFlowC: '80',
      'gauge.resolutionBar': '0.1',
      'fill.mainsBar': '4',
      'fill.setBar': '0.83',
    },
  },
  commercial: {
    fill: 'pressurisation-unit',
    hotWater: 'none',
    numbers: {
      'reliefValve.setBar': '4',
      'vessel.nominalVolumeL': '200',
      'vessel.labelPrechargeBar': '1.5',
      staticHeadM: '12',
      waterVolumeL: '1500',
      heatOutputKw: '250',
      maxFlowC: '80',
      'gauge.resolutionBar': '0.1',
      'fill.mainsBar': '3.5',
      'fill.cutInBar': '1.7',
      'fill.cutOutBar': '2',
    },
  },
};

/** A new sheet of that kind, numbers in bar. */
export const usualForm = (plant: PlantId): SheetForm => ({
  site: '',
  town: '',
  ...USUAL[plant],
  vesselValve: 'none',
  contentMeasured: false,
  glycol: 'propylene',
  leftConnected: false,
  feedValve: null,
  valveMap: {},
  glycolBy: 'mass',
  openVented: false,
  pump: null,
  zones: [],
  components: [],
  assumed: [
    ...NUMBER_FIELDS.filter((f) => 'main' in f && f.main).map((f) => f.field),
    'fill.kind',
    'domesticHotWater.kind',
    'vessel.isolationValve',
  ],
});

import type { TestSteps } from './Step';

/** Low-water cutoff of a hot-water boiler, as it is proved. */
export const CUTOFF_STEPS = {
  'low-water-cutoff-trip': {
    who: 'Whoever may work on this boiler’s controls.',
    steps: [
      { text: 'Boiler firing on a call; stand at its switch', caution: 'Hand on the switch all the time: off at once if it fires on.' },
      { text: 'Press the cutoff’s test button, or let water out at its own drain as its maker says' },
      { text: 'See whether the burner stops, and after how long' },
      { text: 'Water back in, cutoff reset, see it fire again' },
    ],
    means: {
      stops: 'It guards the boiler.',
      'stops-late': 'Clean its probe or chamber, and prove it again.',
      'keeps-firing': 'It does not guard: burner off, and off it stays until the cutoff works.',
    },
    stop: 'It fires on: switch off at once. Let it cool before any water goes in.',
  },
} satisfies Record<string, TestSteps>;

/** The colours of global.css again, for drawings: an SVG attribute does not read the style sheet. A test holds the two together. */
export const TOKENS = {
  light: {
    lime: '#F5F2EA',
    sheet: '#FCFAF5',
    ink: '#1C2528',
    ink2: '#566167',
    hair: '#D9D3C5',
    copper: '#A94E1B',
    slate: '#2D637F',
    verdigris: '#23715A',
    brass: '#8A5D06',
    oxide: '#A3271B',
  },
  dark: {
    lime: '#12181A',
    sheet: '#1A2225',
    ink: '#EEEAE0',
    ink2: '#9AA6A9',
    hair: '#334044',
    copper: '#E48A4E',
    slate: '#7FB6D2',
    verdigris: '#63BE9F',
    brass: '#DDAA3F',
    oxide: '#EC7A69',
  },
} as const;
export type Tokens = { [K in keyof (typeof TOKENS)['light']]: string };

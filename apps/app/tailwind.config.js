/** @type {import('tailwindcss').Config} */
const token = (name) => `rgb(var(--${name}) / <alpha-value>)`;
module.exports = {
  content: ['./src/**/*.{ts,tsx}'],
  presets: [require('nativewind/preset')],
  darkMode: 'class',
  theme: {
    extend: {
      colors: Object.fromEntries(
        [
          'lime',
          'sheet',
          'ink',
          'ink2',
          'hair',
          'copper',
          'oncopper',
          'slate',
          'verdigris',
          'brass',
          'brassfill',
          'oxide',
          'paleslate',
          'palebrass',
          'paleoxide',
          'paleverdigris',
        ].map((n) => [n, token(n)]),
      ),
      borderRadius: { DEFAULT: '3px', lg: '4px' },
      // The whole type scale: [size, line], px.
      fontSize: {
        small: ['13.5px', '18px'],
        body: ['15px', '21px'],
        lead: ['17px', '22px'],
        title: ['20px', '25px'],
        head: ['28px', '34px'],
        dial: ['48px', '54px'],
        reading: ['64px', '68px'],
        wide: ['80px', '84px'],
      },
      fontFamily: {
        sans: ['Barlow_400Regular'],
        medium: ['Barlow_500Medium'],
        semibold: ['Barlow_600SemiBold'],
        figure: ['BarlowCondensed_600SemiBold'],
        figuremedium: ['BarlowCondensed_500Medium'],
      },
    },
  },
  plugins: [],
};

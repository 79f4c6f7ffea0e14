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

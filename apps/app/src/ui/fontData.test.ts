import { lettered } from './fontData';

const SVG = '<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10"><text font-family="Barlow, sans-serif">1.0</text></svg>';

it('a drawing brings its letters along, and is otherwise as it was', () => {
  const drawn = lettered(SVG, 'QUJD');
  expect(drawn).toMatch(
    /^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg" width="10" height="10"><style>@font-face\{font-family:Barlow;src:url\(data:font\/ttf;base64,QUJD\)\}<\/style><text/,
  );
  expect(drawn.replace(/<style>.*<\/style>/, '')).toBe(SVG);
});

it('before they are there it is drawn without', () => expect(lettered(SVG, null)).toBe(SVG));

import { View } from 'react-native';
import type { RunBand } from '@jumper/core';
import { Text } from '../../ui/Text';
import { pressureNumber, temperatureText, type Units } from '../units/units';

const SAYS = { right: 'right', high: 'too high', behind: 'not yet' } as const;
const TONE = { right: 'text-verdigris', high: 'text-oxide', behind: 'text-ink2' } as const;

/** The run after the work as it goes: what it shows at each temperature, what is right there, and what it was before the work. */
export function RunTable({ bands, units }: { bands: RunBand[]; units: Units }) {
  const was = bands.some((b) => b.beforeGaugeBar !== null),
    bar = (x: number) => pressureNumber(x, units.pressure);
  return (
    <View role="table" aria-label={`The run so far, ${units.pressure}`} className="pt-1">
      <View role="row" className="flex-row gap-2 py-1">
        {['At', 'Stands at', 'Right', ...(was ? ['Before'] : []), ''].map((t, i) => (
          <Text key={i} role="columnheader" className={`min-w-0 text-small text-ink2 ${WIDTH[i === 3 && !was ? 4 : i]}`}>
            {t || ' '}
          </Text>
        ))}
      </View>
      {bands.map((b) => (
        <View key={b.flowC} role="row" className="min-h-[34px] flex-row items-center gap-2 border-t border-hair">
          <Text role="cell" className={`font-figuremedium text-body ${WIDTH[0]}`}>
            {temperatureText(b.flowC, units.temperature)}
          </Text>
          <Text role="cell" className={`font-figure text-lead ${WIDTH[1]}`}>
            {bar(b.gaugeBar)}
          </Text>
          <Text
            role="cell"
            className={`font-figuremedium text-body text-ink2 ${WIDTH[2]}`}
          >{`${bar(b.lowGaugeBar)} to ${bar(b.highGaugeBar)}`}</Text>
          {was ? (
            <Text role="cell" className={`font-figuremedium text-body text-ink2 ${WIDTH[3]}`}>
              {b.beforeGaugeBar === null ? '–' : bar(b.beforeGaugeBar)}
            </Text>
          ) : null}
          <Text role="cell" className={`text-small ${TONE[b.verdict]} ${WIDTH[4]}`}>
            {SAYS[b.verdict]}
          </Text>
        </View>
      ))}
    </View>
  );
}

const WIDTH = ['w-[46px]', 'w-[58px]', 'w-[88px]', 'w-[46px]', 'flex-1'];

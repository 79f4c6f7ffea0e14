import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { METRIC, type Units } from './units';

const KEY = 'jumper.units';
const Context = createContext<{ units: Units; choose: (units: Units) => void }>({ units: METRIC, choose: () => {} });

export function UnitsProvider({ children }: { children: ReactNode }) {
  const [units, setUnits] = useState<Units>(stored);
  const value = useMemo(
    () => ({
      units,
      choose: (next: Units) => {
        localStorage.setItem(KEY, JSON.stringify(next));
        setUnits(next);
      },
    }),
    [units],
  );
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

function stored(): Units {
  try {
    const saved = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Units>;
    return {
      pressure: ['bar', 'psi', 'kPa'].includes(saved.pressure ?? '') ? saved.pressure! : METRIC.pressure,
      temperature: saved.temperature === '°F' ? '°F' : METRIC.temperature,
      volume: saved.volume === 'US gal' || saved.volume === 'Imp gal' ? saved.volume : METRIC.volume,
      length: saved.length === 'ft' ? 'ft' : METRIC.length,
      power: saved.power === 'BTU/h' ? 'BTU/h' : METRIC.power,
    };
  } catch {
    return METRIC;
  }
}

export const useUnits = () => useContext(Context);

import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { useColorScheme } from 'react-native';
import { TOKENS, type Tokens } from './tokens';

export type ThemeChoice = 'system' | 'light' | 'dark';
interface Theme { choice: ThemeChoice; dark: boolean; tokens: Tokens; choose: (choice: ThemeChoice) => void }

const KEY = 'jumper.theme';
const Context = createContext<Theme | null>(null);

/** Light for glare, dark for a cellar: as the device has it, or as chosen. */
export function ThemeProvider({ children }: { children: ReactNode }) {
  const system = useColorScheme();
  const [choice, setChoice] = useState<ThemeChoice>(() => stored());
  const dark = choice === 'system' ? system === 'dark' : choice === 'dark';
  useEffect(() => {
    document.documentElement.classList.toggle('dark', dark);
    document.documentElement.style.colorScheme = dark ? 'dark' : 'light';
  }, [dark]);
  const value = useMemo<Theme>(
    () => ({ choice, dark, tokens: dark ? TOKENS.dark : TOKENS.light, choose: (next) => { localStorage.setItem(KEY, next); setChoice(next); } }),
    [choice, dark],
  );
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

function stored(): ThemeChoice {
  const value = typeof localStorage === 'undefined' ? null : localStorage.getItem(KEY);
  return value === 'light' || value === 'dark' ? value : 'system';
}

export function useTheme(): Theme {
  const theme = useContext(Context);
  if (!theme) throw new Error('ThemeProvider is missing');
  return theme;
}

import { createContext, useContext, useEffect, useLayoutEffect, useMemo, useState, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import { useColorScheme } from 'react-native';
import { TOKENS, type Tokens } from './tokens';

export type ThemeChoice = 'system' | 'light' | 'dark';
interface Theme {
  choice: ThemeChoice;
  dark: boolean;
  tokens: Tokens;
  choose: (choice: ThemeChoice) => void;
}

const KEY = 'jumper.theme';
const Context = createContext<Theme | null>(null);

/** Light for glare, dark for a cellar: as the device has it, or as chosen. */
export function ThemeProvider({ children }: { children: ReactNode }) {
  const system = useColorScheme();
  const [choice, setChoice] = useState<ThemeChoice>(() => stored());
  const [printing, setPrinting] = useState(false);
  const dark = !printing && (choice === 'system' ? system === 'dark' : choice === 'dark');
  useEffect(() => {
    // Paper is light. Drawings take their colours from here, so they have to be set again before the page is laid out for it.
    const before = () => flushSync(() => setPrinting(true)),
      after = () => setPrinting(false);
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, []);
  useLayoutEffect(() => {
    document.documentElement.classList.toggle('dark', dark);
    document.documentElement.style.colorScheme = dark ? 'dark' : 'light';
  }, [dark]);
  const value = useMemo<Theme>(
    () => ({
      choice,
      dark,
      tokens: dark ? TOKENS.dark : TOKENS.light,
      choose: (next) => {
        localStorage.setItem(KEY, next);
        setChoice(next);
      },
    }),
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

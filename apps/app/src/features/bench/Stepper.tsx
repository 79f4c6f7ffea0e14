import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { Pressable, TextInput, View } from 'react-native';
import { Text } from '../../ui/Text';
import { useTheme } from '../../ui/ThemeProvider';

interface Props {
  name: string;
  shown: string;
  unit: string;
  typed: string | null;
  onNudge: (direction: 1 | -1) => void;
  onType: (text: string | null) => void;
  onSubmit: () => void;
  alone?: boolean;
  /** Low, for a dock of one line. */
  small?: boolean;
}

const HOLD_MS = 380,
  REPEAT_MS = 90;

/** Minus, value, plus: a touch nudges, a hold runs, a touch on the value types. */
export function Stepper({ name, shown, unit, typed, onNudge, onType, onSubmit, alone = false, small = false }: Props) {
  const input = useRef<TextInput>(null);
  // Before the next key arrives, and not a moment later: the library's own selectTextOnFocus selects on a timer, which would swallow the
  // first digit of a quick typist.
  useLayoutEffect(() => {
    if (typed === null) return;
    input.current?.focus();
    if (typed === shown) (input.current as unknown as HTMLInputElement | null)?.select();
  }, [typed !== null]); // eslint-disable-line react-hooks/exhaustive-deps
  return (
    <View className={`min-w-0 flex-row items-stretch gap-2 ${alone ? '' : 'min-w-[150px] flex-1'}`}>
      <Nudge name={`${name} down`} direction={-1} small={small} onNudge={onNudge} />
      {typed === null ? (
        <Pressable
          role="button"
          onPress={() => onType(shown)}
          className={`min-w-0 flex-1 flex-row items-baseline justify-center gap-1 bg-lime active:opacity-70 ${small ? 'min-h-[52px] pt-2' : 'min-h-[60px] pt-1'}`}
        >
          <Text className="sr-only">{`${name}, touch to type: `}</Text>
          <Text numberOfLines={1} className={`font-figure ${small ? 'text-head' : 'text-dial'}`} style={{ fontVariant: ['tabular-nums'] }}>
            {shown}
          </Text>
          <Text className="font-figure text-lead">{` ${unit}`}</Text>
        </Pressable>
      ) : (
        <TextInput
          ref={input}
          aria-label={`${name} in ${unit}`}
          value={typed}
          onChangeText={onType}
          onSubmitEditing={onSubmit}
          inputMode="decimal"
          className={`${small ? 'min-h-[52px] text-head' : 'min-h-[60px] text-dial'} w-0 min-w-0 flex-1 border border-ink bg-lime text-center font-figure text-ink`}
        />
      )}
      <Nudge name={`${name} up`} direction={1} small={small} onNudge={onNudge} />
    </View>
  );
}

function Nudge({ name, direction, small, onNudge }: { name: string; direction: 1 | -1; small: boolean; onNudge: (d: 1 | -1) => void }) {
  const { tokens } = useTheme();
  const Icon = direction > 0 ? Plus : Minus;
  const timer = useRef<ReturnType<typeof setInterval> | null>(null);
  const latest = useRef(onNudge);
  useEffect(() => {
    latest.current = onNudge;
  });
  const [held, setHeld] = useState(false);
  useEffect(() => {
    if (!held) return;
    timer.current = setInterval(() => latest.current(direction), REPEAT_MS);
    return () => {
      if (timer.current) clearInterval(timer.current);
    };
  }, [held, direction]);
  return (
    <Pressable
      role="button"
      aria-label={name}
      delayLongPress={HOLD_MS}
      onPress={() => onNudge(direction)}
      onLongPress={() => setHeld(true)}
      onPressOut={() => setHeld(false)}
      className={`${small ? 'min-h-[52px] w-[48px]' : 'min-h-[60px] w-[56px]'} items-center justify-center rounded border border-hair bg-sheet active:bg-hair`}
    >
      <Icon size={24} color={tokens.ink} />
    </Pressable>
  );
}

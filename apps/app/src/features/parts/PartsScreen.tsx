import Wrench from 'lucide-react-native/icons/wrench';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Header } from '../../ui/Header';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { State } from '../../ui/State';
import { Text } from '../../ui/Text';
import { useTheme } from '../../ui/ThemeProvider';
import { TimerRow } from '../../ui/TimerRow';
import { Figure } from '../figure/Figure';
import { LoopFigure } from '../figure/LoopFigure';
import { Stepper } from '../bench/Stepper';
import { METRIC } from '../units/units';
import { FIGURE_SAMPLES, LOOP_SAMPLE } from './samples';

/** Every part of the interface in each of its states, for those who build it. Not linked from anywhere. */
export function PartsScreen() {
  const { tokens, choice, choose } = useTheme();
  const [typed, setTyped] = useState<string | null>(null);
  const [bar, setBar] = useState(1.2);
  const [one, setOne] = useState<'bar' | 'psi'>('bar');
  const [text, setText] = useState('');
  const nothing = () => undefined;
  return (
    <View className="mx-auto w-full max-w-[760px] flex-1">
      <Header title="Parts" subtitle="Every part in each of its states" backTo="/" />
      <ScrollView className="flex-1" tabIndex={0} role="region" aria-label="Parts" contentContainerClassName="gap-6 py-4">
        <Part title="Light">
          <Choice
            label="Light"
            value={choice}
            onChange={choose}
            options={[
              { value: 'light', label: 'Light' },
              { value: 'dark', label: 'Dark' },
              { value: 'system', label: 'As the device' },
            ]}
          />
        </Part>
        <Part title="Type">
          <Text className="font-figure text-reading">2.3</Text>
          <Text className="font-figure text-head">Figure 28</Text>
          <Text className="font-semibold text-title">Heading 20: Vessel has lost its charge</Text>
          <Text>Body 15. Touch the pin in the air valve for a moment.</Text>
          <Text className="text-small text-ink2">Label 13.5: about 2 min, nothing drained</Text>
        </Part>
        <Part title="Colour">
          {(['ink', 'ink2', 'copper', 'slate', 'verdigris', 'brass', 'oxide'] as const).map((name) => (
            <View key={name} className="flex-row items-center gap-3">
              <View className="h-[28px] w-[56px] rounded" style={{ backgroundColor: tokens[name] }} />
              <Text style={{ color: tokens[name] }}>{name}</Text>
            </View>
          ))}
        </Part>
        <Part title="Buttons">
          <Button label="Log" kind="main" onPress={nothing} />
          <Button label="Start" kind="next" onPress={nothing} icon={<Wrench size={20} color={tokens.lime} />} />
          <Button label="Open a case file" onPress={nothing} />
          <Button label="Cannot do this now" kind="quiet" onPress={nothing} />
          <Button label="Keep" kind="main" disabled onPress={nothing} />
          <Button label="Keep" kind="next" busy onPress={nothing} />
        </Part>
        <Part title="Keys">
          <View className="flex-row gap-2">
            <Key label="Heat on" className="flex-1" onPress={nothing} />
            <Key label="Heat off" pressed className="flex-1" onPress={nothing} />
            <Key label="A label that needs two lines" className="flex-1" onPress={nothing} />
          </View>
        </Part>
        <Part title="Choice">
          <Choice
            label="Pressure"
            value={one}
            onChange={setOne}
            options={[
              { value: 'bar', label: 'bar' },
              { value: 'psi', label: 'psi' },
            ]}
          />
        </Part>
        <Part title="Stepper">
          <Stepper
            name="Pressure"
            alone
            shown={bar.toFixed(1)}
            unit="bar"
            typed={typed}
            onNudge={(d) => setBar(Math.max(0, bar + 0.1 * d))}
            onType={setTyped}
            onSubmit={() => setTyped(null)}
          />
        </Part>
        <Part title="Fields">
          <Field label="Charge it was set to" unit="bar" numeric value={text} onChange={setText} hint="With the drain open" />
          <Field label="Reading" unit="bar" numeric value="99" onChange={nothing} problem="Reading must be at most 25." />
        </Part>
        <Part title="Notices">
          <Notice kind="note" title="Press the air valve (Schrader): water">
            Vessel diaphragm holed: 11 % before, 78 % now.
          </Notice>
          <Notice kind="sound" title="This looks sound">
            Nothing wrong is likeliest, 91 %.
          </Notice>
          <Notice kind="caution" title="Wait until below 50 °C">
            Hot water under pressure scalds.
          </Notice>
          <Notice kind="danger" title="Not empty yet">
            0.4 bar of water stands behind the diaphragm.
          </Notice>
        </Part>
        <View className="gap-2">
          <Heading>Timers</Heading>
          <View role="list" aria-label="Sample timers">
            <TimerRow
              label="Fill loop off: is the valve passing?"
              clock="12:31"
              note="left"
              over={false}
              action={{ label: 'Open', onPress: nothing }}
            />
            <TimerRow label="Timer, 10 min" clock="+0:42" note="time is up" over action={{ label: 'Done', onPress: nothing }} />
          </View>
        </View>
        <View className="gap-2">
          <Heading>States of a view</Heading>
          {(
            [
              ['Opening the job …'],
              ['No jobs yet', 'Make one from a complaint, or open a case file.'],
              ['The job could not be read from this device', 'The store did not answer.', 'Try again'],
              ['This browser keeps no data', 'Open it in an ordinary window.'],
            ] as const
          ).map(([title, more, action]) => (
            <View key={title} className="min-h-[120px] border-t border-hair">
              <State title={title} {...(more ? { text: more } : {})} {...(action ? { action: { label: action, onPress: nothing } } : {})} />
            </View>
          ))}
        </View>
        {FIGURE_SAMPLES.map((f) => (
          <View key={f.title} testID={`sample-${f.id}`} className="gap-1">
            <Heading>{f.title}</Heading>
            <Figure view={f.view} units={f.units} height={268} predicted={f.predicted ?? null} />
          </View>
        ))}
        <View className="gap-1">
          <Heading>Loop</Heading>
          <LoopFigure view={LOOP_SAMPLE} units={METRIC} height={160} />
        </View>
      </ScrollView>
    </View>
  );
}

function Heading({ children }: { children: string }) {
  return (
    <Text role="heading" aria-level={2} className="px-4 font-semibold text-body text-ink2">
      {children}
    </Text>
  );
}
function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <View className="gap-2">
      <Heading>{title}</Heading>
      <View className="gap-2 px-4">{children}</View>
    </View>
  );
}

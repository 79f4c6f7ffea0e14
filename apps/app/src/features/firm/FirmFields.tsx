import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../../ui/Button';
import { FileButton } from '../../ui/FileButton';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { Picture } from '../../ui/Picture';
import { Text } from '../../ui/Text';
import { keepFirm, useFirm, type Firm } from './firm';
import { logoOf } from './logo';

const FIELDS: { key: Exclude<keyof Firm, 'logo'>; label: string; hint?: string }[] = [
  { key: 'technician', label: 'Your name', hint: 'Stands in the record, and on the report' },
  { key: 'name', label: 'Name of the firm' },
  { key: 'address', label: 'Address' },
  { key: 'phone', label: 'Phone number', hint: 'The customer is told to call it' },
];

/** What the report says of the firm: kept on this device as it is typed, so that it is there with no network. */
export function FirmFields() {
  const firm = useFirm();
  const [problem, setProblem] = useState<string | null>(null);
  const take = async (file: File) => {
    const logo = await logoOf(file);
    if (logo.kind === 'bad') return setProblem(logo.message);
    try {
      keepFirm({ logo: logo.address });
      setProblem(null);
    } catch {
      setProblem('Logo: this device has no room for it.');
    }
  };
  return (
    <View role="group" aria-label="Firm" className="gap-3">
      <Text role="heading" aria-level={2} className="font-semibold text-lead">
        Firm and technician
      </Text>
      {FIELDS.map(({ key, label, hint }) => (
        <Field key={key} label={label} value={firm[key]} onChange={(v) => keepFirm({ [key]: v })} {...(hint ? { hint } : {})} />
      ))}
      <View className="flex-row flex-wrap items-center gap-3">
        {firm.logo ? <Picture address={firm.logo} alt="Logo of the firm" width={120} height={48} whole /> : null}
        <FileButton
          label={firm.logo ? 'Another logo' : 'Choose a logo'}
          name="Logo file"
          accept="image/png,image/jpeg"
          testID="logo-file"
          onFile={(f) => void take(f)}
        />
        {firm.logo ? <Button label="Take it off" kind="quiet" onPress={() => keepFirm({ logo: null })} /> : null}
      </View>
      {problem ? (
        <Notice kind="danger" live>
          {problem}
        </Notice>
      ) : null}
    </View>
  );
}

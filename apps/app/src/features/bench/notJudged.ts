import { testRow, type Case } from '@jumper/core';
import { VALUE_LABELS } from '../testCard/findingForm';

/** What findings leave out that they are about, a line each. @param paths as the answer names them, `findings.2.afterBar` */
export function notJudgedLines(paths: readonly string[], { findings = [] }: Pick<Case, 'findings'>): string[] {
  return paths.flatMap((path) => {
    const [, at, name] = path.split('.'),
      finding = findings[Number(at)];
    return finding && name ? [`${testRow(finding.test).title}: “${VALUE_LABELS[name] ?? name}” is missing.`] : [];
  });
}

import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { COUPLED, FAULT_IDS, faultRow, OUTCOME_TABLES } from '@jumper/core';
import { assumptionsPage } from './assumptions';

it('the published page is the tables that are judged by', () =>
  expect(readFileSync(join(__dirname, '../../../docs/assumptions.md'), 'utf8')).toBe(assumptionsPage()));

it('has every fault, every coupling and every row of every test, each with its reason', () => {
  const lines = assumptionsPage().split('\n');
  for (const id of FAULT_IDS)
    expect(lines.filter((l) => l.startsWith(`| ${faultRow(id).title} | ${faultRow(id).weight} |`))).toHaveLength(1);
  for (const { why } of COUPLED) expect(lines.some((l) => l.endsWith(` | ${why} |`))).toBe(true);
  for (const { rows } of Object.values(OUTCOME_TABLES))
    for (const { why } of rows) {
      expect(why.length).toBeGreaterThan(10);
      expect(lines.some((l) => l.endsWith(` | ${why} |`))).toBe(true);
    }
});

import { z } from 'zod';
import { asSheet, caseFile, circuitSheet } from '@jumper/contract';
import { OutOfRangeError, sizeCircuit } from '@jumper/core';
import { print, readParsed, refuse, usage } from './readCase';

const [path, ...rest] = process.argv.slice(2);
if (!path || rest.length) usage('size -- FILE');
const anything = readParsed(path, z.looseObject({}));
if (anything.kind === 'bad') refuse(anything.problems);
const isCase = 'circuit' in anything.value || 'format' in anything.value;
const sheet = isCase ? parsedCase() : parsedSheet();
if (sheet.kind !== 'sealed-hot-water')
  refuse([{ field: isCase ? 'circuit.kind' : 'kind', message: 'sizing is for sealed hot-water circuits' }]);
try {
  print(sizeCircuit(sheet));
} catch (error) {
  if (error instanceof OutOfRangeError)
    refuse([{ field: error.field, message: `${error.value} is outside ${error.least} to ${error.most}` }]);
  throw error;
}

function parsedCase() {
  const parsed = readParsed(path!, caseFile);
  return parsed.kind === 'bad' ? refuse(parsed.problems) : asSheet(parsed.value.circuit);
}

function parsedSheet() {
  const parsed = readParsed(path!, circuitSheet);
  return parsed.kind === 'bad' ? refuse(parsed.problems) : asSheet(parsed.value);
}

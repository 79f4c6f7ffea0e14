import { FaultNotSimulated, OutOfRangeError, simulateCase, type SimulationRequest } from '@jumper/core';
import { simulationRequest } from '@jumper/contract';
import { print, readParsed, refuse, usage } from './readCase';

const [path, ...rest] = process.argv.slice(2);
if (!path || rest.length) usage('simulate -- FILE');
const parsed = readParsed(path, simulationRequest);
if (parsed.kind === 'bad') refuse(parsed.problems);
const request = parsed.value as unknown as SimulationRequest;
if (request.circuit.kind !== 'sealed-hot-water') refuse([{ field: 'circuit.kind', message: 'steam is not simulated yet' }]);
try {
  const { log, truth } = simulateCase(request);
  print({
    format: 'jumper-case',
    version: 1,
    id: `simulated-${request.seed ?? 1}`,
    circuit: request.circuit,
    logs: [log],
    findings: [],
    truth,
  });
} catch (error) {
  if (error instanceof FaultNotSimulated) refuse([{ field: `faults.${error.index}.id`, message: `${error.id} is not simulated yet` }]);
  if (error instanceof OutOfRangeError)
    refuse([{ field: error.field, message: `${error.value} is outside ${error.least} to ${error.most}` }]);
  throw error;
}

import { Worker } from 'node:worker_threads';
import { close, enter, newGate } from './gate';

test('a gate is closed only while nothing is read', () => {
  const gate = newGate();
  const [one, two] = [enter(gate), enter(gate)];
  expect(close(gate)).toBe(false);
  one();
  expect(close(gate)).toBe(false);
  two();
  expect(close(gate)).toBe(true);
  expect(close(gate)).toBe(true);
});

test('who comes to a closed gate waits to be ended, and begins nothing', async () => {
  const gate = newGate();
  expect(close(gate)).toBe(true);
  // The same words as enter's, in a thread of its own: it would say so if it went through.
  const thread = new Worker(
    `const { workerData: gate, parentPort } = require('node:worker_threads');
     const enter = ${enter.toString().replaceAll('CLOSED', '-1')};
     parentPort.postMessage('came');
     enter(gate);
     parentPort.postMessage('went through');`,
    { eval: true, workerData: gate },
  );
  const said: string[] = [];
  await new Promise<void>((resolve) => {
    thread.on('message', (words: string) => {
      said.push(words);
      resolve();
    });
  });
  // Who is woken while the gate is closed goes back to waiting.
  for (const _time of [1, 2]) {
    while (Atomics.notify(gate, 0) === 0) await new Promise(setImmediate);
  }
  await thread.terminate();
  expect(said).toEqual(['came']);
});

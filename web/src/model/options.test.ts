import { expect, it } from 'vitest';
import { readOptions } from './options';

const labels = (text: string) => readOptions(text).map(({ label }) => label);

it.each([
  ['Grass, Gravel , Hard standing', ['Grass', 'Gravel', 'Hard standing']],
  ['Yes, with notice; No', ['Yes, with notice', 'No']],
  ['- Grass\r\n- Gravel\n\n3. Hard, drained', ['Grass', 'Gravel', 'Hard, drained']],
  ['Grass, grass, GRASS', ['Grass']],
  ['Grass', ['Grass']],
  [' , ', []],
  ['', []],
])('%j holds %j', (text, expected) => {
  expect(labels(text)).toEqual(expected);
});

it('takes the key of a second column', () => {
  expect(readOptions('Hard standing\thard\nGrass')).toEqual([
    { label: 'Hard standing', key: 'hard' },
    { label: 'Grass', key: '' },
  ]);
});

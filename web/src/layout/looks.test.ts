import { expect, it } from 'vitest';
import description from '../../openapi.json';
import { roles, shapes, typefaces, usual } from './looks';

interface Property {
  default?: unknown;
  enum?: string[];
  properties?: Record<string, Property>;
}
const look = description.components.schemas.Look.properties as Record<string, Property>;
const colours = description.components.schemas.Palette.properties as Record<string, Property>;

it('means what core means where a look says nothing', () => {
  for (const [name, value] of Object.entries(usual)) {
    if (typeof value !== 'object') {
      expect(look[name]?.default, name).toBe(value);
    }
  }
  expect(Object.keys(colours).sort()).toEqual([...roles].sort());
  for (const role of roles) {
    expect(colours[role]?.default, role).toBe(usual.colours[role]);
  }
});

it('offers all words that core knows', () => {
  for (const shape of shapes) {
    expect([...shape.words].sort(), shape.name).toEqual([...(look[shape.name]?.enum ?? [])].sort());
  }
  expect([...typefaces].sort()).toEqual([...(look.text?.enum ?? [])].sort());
});

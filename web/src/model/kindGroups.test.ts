import { describe, expect, it } from 'vitest';
import { kindCodes } from '@/shared/kinds';
import { kindGroups } from './kindGroups';

describe('the groups of kinds', () => {
  it('have every kind once', () => {
    expect(Object.values(kindGroups).flat().sort()).toEqual([...kindCodes].sort());
  });
});

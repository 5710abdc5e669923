// @vitest-environment node
import { fileURLToPath } from 'node:url';
import { createConfig, lint } from '@redocly/openapi-core';
import openapiTS, { astToString } from 'openapi-typescript';
import { describe, expect, it } from 'vitest';

const recorded = new URL('../../../content-openapi.json', import.meta.url);

/** The description of a site's content API, as ContentApiTest records it. */
describe('the description of a content API', () => {
  it('has what linters ask for', async () => {
    // under which license a site's content may be used is not the program's to say
    const config = await createConfig({ extends: ['recommended'], rules: { 'info-license': 'off' } });
    const found = await lint({ ref: fileURLToPath(recorded), config });
    expect(found.map((each) => `${each.ruleId} at ${each.location[0]?.pointer ?? ''}: ${each.message}`)).toEqual([]);
  });

  it('is turned into types of a client', async () => {
    const types = astToString(await openapiTS(recorded));
    expect(types).toContain('list_type_tree');
    expect(types).toContain('create_type_tree');
  });
});

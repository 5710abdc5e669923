/** A JSON Schema (2020-12), as far as completion looks at it. */
export interface Schema {
  $ref?: string;
  $defs?: Record<string, Schema>;
  description?: string;
  enum?: string[];
  const?: string;
  type?: string | string[];
  items?: Schema;
  properties?: Record<string, Schema>;
  oneOf?: Schema[];
  anyOf?: Schema[];
  allOf?: { then?: Schema }[];
}

export interface Word {
  word: string;
  about: string;
  type: 'property' | 'enum';
}

function resolved(schema: Schema, root: Schema): Schema[] {
  if (schema.$ref) {
    const target = root.$defs?.[schema.$ref.replace('#/$defs/', '')];
    return target ? resolved(target, root) : [];
  }
  // what a thing can be is told in branches, each for one word or property
  const branches = schema.allOf?.flatMap((each) => each.then ?? []);
  const several = branches ?? schema.oneOf ?? schema.anyOf;
  return several ? several.flatMap((each) => resolved(each, root)) : [schema];
}

/** The names of properties that lead to the place behind a text, outermost first; block and flow style alike. */
export function pathAt(before: string): { path: string[]; property: string | undefined } {
  const lines = before.split('\n');
  const last = lines.pop() ?? '';
  const flow = flowPath(last);
  let indent = /^[ -]*/.exec(last)?.[0].length ?? 0;
  const path: string[] = [];
  for (const line of lines.reverse()) {
    const match = /^([ -]*)([a-z_]+):\s*$/.exec(line);
    if (match && (match[1]?.length ?? 0) < indent) {
      path.unshift(match[2] ?? '');
      indent = match[1]?.length ?? 0;
    }
  }
  return { path: [...path, ...flow.path], property: flow.property };
}

function flowPath(line: string): { path: string[]; property: string | undefined } {
  const path: string[] = [];
  let property: string | undefined;
  for (const [, open, close, comma, name] of line.matchAll(/([{[])|([}\]])|(,)|([a-z_]+)\s*:/g)) {
    if (open) {
      if (property) {
        path.push(property);
      }
      property = undefined;
    } else if (close) {
      path.pop();
      property = undefined;
    } else if (comma) {
      property = undefined;
    } else {
      property = name;
    }
  }
  return { path, property };
}

/** What can stand behind a text: properties of the thing there, or the words of the property that was begun. */
export function wordsAt(root: Schema, before: string): Word[] {
  const { path, property } = pathAt(before);
  let at = [root];
  for (const name of path) {
    at = at
      .flatMap((schema) => resolved(schema, root))
      .flatMap((schema) => (schema.properties?.[name] ? resolved(schema.properties[name], root) : []))
      .flatMap((schema) => (schema.items ? resolved(schema.items, root) : [schema]));
  }
  const things = at.flatMap((schema) => resolved(schema, root));
  if (property) {
    const values = things.flatMap((schema) =>
      schema.properties?.[property] ? resolved(schema.properties[property], root) : [],
    );
    const words = values.flatMap(
      (schema) => schema.enum ?? (schema.const ? [schema.const] : schema.type === 'boolean' ? ['true', 'false'] : []),
    );
    return [...new Set(words)].map((word) => ({ word, about: '', type: 'enum' }));
  }
  const found = new Map<string, string>();
  things.forEach((schema) => {
    Object.entries(schema.properties ?? {}).forEach(([name, each]) => found.set(name, each.description ?? ''));
  });
  return [...found].map(([word, about]) => ({ word, about, type: 'property' }));
}

// Says what is wrong with descriptions of content APIs: node lint.mjs LINTER FILE ...
const [, , linter, ...files] = process.argv;
const { createConfig, lint } = (await import(linter)).default;
// under which licence a site's content may be used is not the program's to say
const config = await createConfig({ extends: ['recommended'], rules: { 'info-license': 'off' } });
for (const ref of files) {
  for (const each of await lint({ ref, config })) {
    console.log(`${ref} ${each.ruleId} at ${each.location[0]?.pointer ?? ''}: ${each.message}`);
  }
}

<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref } from 'vue';
import { withValueAt } from './form';
import type { Conflict } from './useRecord';

/** What somebody else saved meanwhile, field by field, and the choice where both changed the same. */
const props = defineProps<{ of: Conflict; by: string }>();
const emit = defineEmits<{ merge: [Record<string, unknown>]; theirs: [] }>();
const theirs = ref(new Set<string>());

function choose(path: string, mine: boolean): void {
  const next = new Set(theirs.value);
  if (mine) {
    next.delete(path);
  } else {
    next.add(path);
  }
  theirs.value = next;
}

function merge(): void {
  const values = props.of.clashes.reduce<Record<string, unknown>>(
    (all, clash) => (theirs.value.has(clash.path) ? withValueAt(all, clash.path, clash.theirs ?? null) : all),
    { ...props.of.merged },
  );
  emit('merge', values);
}
</script>

<template>
  <section class="panel conflict" :aria-label="$t('record.conflict.title')">
    <h2>{{ $t('record.conflict.changed', { name: by }) }}</h2>
    <ul>
      <li v-for="each in of.theirs" :key="each.path">
        <strong>{{ each.label }}</strong>
        <span class="muted"> {{ each.before || $t('record.nothing') }} → </span>{{ each.after || $t('record.nothing') }}
      </li>
    </ul>
    <template v-if="of.clashes.length">
      <p>{{ $t('record.conflict.both') }}</p>
      <fieldset v-for="clash in of.clashes" :key="clash.path">
        <legend>{{ clash.label }}</legend>
        <label class="row"
          ><input
            type="radio"
            :name="clash.path"
            :checked="!theirs.has(clash.path)"
            @change="choose(clash.path, true)"
          />{{ $t('record.conflict.mine', { value: clash.mineShown || $t('record.nothing') }) }}</label
        >
        <label class="row"
          ><input
            type="radio"
            :name="clash.path"
            :checked="theirs.has(clash.path)"
            @change="choose(clash.path, false)"
          />{{ $t('record.conflict.theirs', { value: clash.theirsShown || $t('record.nothing') }) }}</label
        >
      </fieldset>
    </template>
    <div class="row">
      <NButton size="small" type="primary" @click="merge">{{ $t('record.conflict.merge') }}</NButton>
      <NButton size="small" @click="emit('theirs')">{{ $t('record.conflict.take') }}</NButton>
    </div>
  </section>
</template>

<style scoped>
.conflict {
  border-color: var(--brass);
}
h2 {
  margin: 0 0 8px;
  font-size: 15px;
}
ul {
  margin: 0 0 8px;
  padding-left: 18px;
}
li {
  overflow-wrap: anywhere;
}
fieldset {
  margin: 0 0 8px;
  padding: 4px 10px 8px;
  border: 1px solid var(--line);
  border-radius: 4px;
}
</style>

<script setup lang="ts">
import { NButton } from 'naive-ui';
import { ref } from 'vue';
import { withValueAt } from './form';
import type { Conflict } from './useRecord';
import ControlSet from '@/shared/controls/ControlSet.vue';
import Radios from '@/shared/controls/Radios.vue';

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
      <ControlSet v-for="clash in of.clashes" :key="clash.path" class="clash" :legend="clash.label">
        <Radios
          column
          :aria-label="clash.label"
          :value="theirs.has(clash.path) ? 'theirs' : 'mine'"
          :options="[
            { value: 'mine', label: $t('record.conflict.mine', { value: clash.mineShown || $t('record.nothing') }) },
            {
              value: 'theirs',
              label: $t('record.conflict.theirs', { value: clash.theirsShown || $t('record.nothing') }),
            },
          ]"
          @update:value="choose(clash.path, $event === 'mine')"
        />
      </ControlSet>
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
.clash {
  margin: 0 0 8px;
}
</style>

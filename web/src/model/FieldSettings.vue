<script setup lang="ts">
import { computed } from 'vue';
import { kinds, settingOf, withSetting, type Control, type Field } from '@/shared/kinds';
import OptionEditor from './OptionEditor.vue';
import { useHelp } from './useHelp';

const props = defineProps<{ field: Field }>();
const emit = defineEmits<{ change: [Field] }>();

const help = useHelp();
const settings = computed(() => Object.entries(kinds[props.field.kind].settings));

/** A number that is one is sent as one; anything else as typed, so that the server can say what is wrong with it. */
function read(control: Control, text: string): unknown {
  const isNumber = /^-?\d{1,15}(\.\d{1,15})?$/.test(text);
  return (control === 'whole' || control === 'decimal') && isNumber ? Number(text) : text;
}

function set(name: string, control: Control, text: string): void {
  emit('change', withSetting(props.field, name, read(control, text.trim())));
}

function shown(name: string): string {
  const value = settingOf(props.field, name);
  return value === undefined ? '' : String(value);
}
</script>

<template>
  <div class="settings" role="group" :aria-label="$t('model.settingsOf', { label: field.label })">
    <OptionEditor
      v-if="field.kind === 'choice'"
      :options="field.options ?? []"
      @change="emit('change', { ...field, options: $event })"
    />
    <p v-if="settings.length === 0 && field.kind !== 'choice'" class="hint">{{ $t('model.noSettings') }}</p>
    <div v-for="[name, control] in settings" :key="name" :title="help[field.kind]?.[name]">
      <label v-if="control === 'flag'" class="row">
        <input
          type="checkbox"
          :checked="settingOf(field, name) !== false"
          @change="
            emit('change', withSetting(field, name, ($event.target as HTMLInputElement).checked ? undefined : false))
          "
        />{{ $t(`model.settings.${name}`) }}
      </label>
      <template v-else>
        <label class="small" :for="`${field.id}-${name}`">{{ $t(`model.settings.${name}`) }}</label>
        <input
          :id="`${field.id}-${name}`"
          class="input"
          :class="{ mono: name === 'pattern' }"
          :type="control === 'date' || control === 'time' ? control : 'text'"
          :inputmode="control === 'whole' ? 'numeric' : control === 'decimal' ? 'decimal' : undefined"
          :value="shown(name)"
          @change="set(name, control, ($event.target as HTMLInputElement).value)"
        />
      </template>
    </div>
  </div>
</template>

<style scoped>
.settings {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(132px, 1fr));
  gap: 8px;
  align-items: end;
}
.small {
  display: block;
  font-size: 13px;
  color: var(--muted);
}
</style>

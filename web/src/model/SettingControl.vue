<script setup lang="ts">
import { computed } from 'vue';
import TypedInput from '@/shared/controls/TypedInput.vue';
import { settingOf, withSetting, type Control, type Field } from '@/shared/kinds';
import { chosen, shownSetting, switched, typedSetting } from './settings';

/** One setting of a field, with its explanation on hover and for screen readers. */
const props = defineProps<{ field: Field; name: string; control: Control; about: string | undefined }>();
const emit = defineEmits<{ change: [Field] }>();
const id = computed(() => `${props.field.id ?? ''}-${props.name}`);
const isSeveral = computed(() => typeof props.control === 'object' && 'tokens' in props.control);
const types: Record<string, string> = { date: 'date', time: 'time', moment: 'datetime-local' };

const value = (event: Event) => (event.target as HTMLInputElement).value;
const checked = (event: Event) => (event.target as HTMLInputElement).checked;

function mode(): 'numeric' | 'decimal' | undefined {
  return props.control === 'whole' ? 'numeric' : props.control === 'decimal' ? 'decimal' : undefined;
}
</script>

<template>
  <div :title="about" :class="{ wide: isSeveral || control === 'long' }">
    <label v-if="control === 'flag' || control === 'flagOn'" class="row">
      <input
        type="checkbox"
        :checked="control === 'flag' ? settingOf(field, name) === true : settingOf(field, name) !== false"
        :aria-describedby="`${id}-about`"
        @change="
          emit(
            'change',
            withSetting(field, name, checked($event) === (control === 'flagOn') ? undefined : checked($event)),
          )
        "
      />{{ $t(`model.settings.${name}`) }}
    </label>
    <fieldset v-else-if="typeof control === 'object' && 'tokens' in control" class="tokens">
      <legend class="small">{{ $t(`model.settings.${name}`) }}</legend>
      <label v-for="word in control.tokens" :key="word" class="row">
        <input
          type="checkbox"
          :checked="chosen(field, name, control.absent).includes(word)"
          @change="emit('change', switched(field, name, word, control.absent))"
        />{{ $t(`model.words.${word}`) }}
      </label>
    </fieldset>
    <template v-else>
      <label class="small" :for="id">{{ $t(`model.settings.${name}`) }}</label>
      <select
        v-if="typeof control === 'object'"
        :id="id"
        class="input"
        :value="shownSetting(field, name) || control.token[0]"
        :aria-describedby="`${id}-about`"
        @change="
          emit('change', withSetting(field, name, value($event) === control.token[0] ? undefined : value($event)))
        "
      >
        <option v-for="word in control.token" :key="word" :value="word">{{ $t(`model.words.${word}`) }}</option>
      </select>
      <TypedInput
        v-else-if="control === 'long'"
        :id="id"
        multiline
        class="area"
        rows="2"
        dir="auto"
        :value="shownSetting(field, name)"
        @typed="emit('change', typedSetting(field, name, control, $event))"
      />
      <TypedInput
        v-else
        :id="id"
        class="input"
        :class="{ mono: name === 'pattern' }"
        :type="types[control] ?? 'text'"
        :inputmode="mode()"
        :value="shownSetting(field, name)"
        :aria-describedby="`${id}-about`"
        @typed="emit('change', typedSetting(field, name, control, $event))"
      />
    </template>
    <span :id="`${id}-about`" class="hidden">{{ about }}</span>
  </div>
</template>

<style scoped>
.wide {
  grid-column: 1 / -1;
}
.tokens {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  margin: 0;
  padding: 0;
  border: 0;
}
</style>

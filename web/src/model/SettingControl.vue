<script setup lang="ts">
import { computed } from 'vue';
import type { MomentKind } from '@/shared/dates';
import TypedInput from '@/shared/controls/TypedInput.vue';
import { settingOf, withSetting, type Control, type Field } from '@/shared/kinds';
import { chosen, shownSetting, switched, typedSetting } from './settings';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import DateInput from '@/shared/controls/DateInput.vue';
import ControlSet from '@/shared/controls/ControlSet.vue';

/** One setting of a field, with its explanation for screen readers. */
const props = defineProps<{ field: Field; name: string; control: Control; about: string | undefined }>();
const emit = defineEmits<{ change: [Field] }>();
const id = computed(() => `${props.field.id ?? ''}-${props.name}`);
const isSeveral = computed(() => typeof props.control === 'object' && 'tokens' in props.control);
const moments: Record<string, MomentKind> = { date: 'date', time: 'time', moment: 'date_time' };

function mode(): 'numeric' | 'decimal' | undefined {
  return props.control === 'whole' ? 'numeric' : props.control === 'decimal' ? 'decimal' : undefined;
}
</script>

<template>
  <div :data-explain="`${field.kind}.${name}`" :class="{ wide: isSeveral || control === 'long' }">
    <Check
      v-if="control === 'flag' || control === 'flagOn'"
      :checked="control === 'flag' ? settingOf(field, name) === true : settingOf(field, name) !== false"
      :aria-describedby="`${id}-about`"
      @update:checked="emit('change', withSetting(field, name, $event === (control === 'flagOn') ? undefined : $event))"
      >{{ $t(`model.settings.${name}`) }}</Check
    >
    <ControlSet
      v-else-if="typeof control === 'object' && 'tokens' in control"
      row
      :legend="$t(`model.settings.${name}`)"
    >
      <Check
        v-for="word in control.tokens"
        :key="word"
        :checked="chosen(field, name, control.absent).includes(word)"
        @update:checked="emit('change', switched(field, name, word, control.absent))"
        >{{ $t(`model.words.${word}`) }}</Check
      >
    </ControlSet>
    <template v-else>
      <label class="small" :for="id">{{ $t(`model.settings.${name}`) }}</label>
      <Choice
        v-if="typeof control === 'object'"
        :id="id"
        :value="shownSetting(field, name) || control.token[0]"
        :aria-describedby="`${id}-about`"
        :options="control.token.map((word) => ({ value: word, label: $t(`model.words.${word}`) }))"
        @update:value="emit('change', withSetting(field, name, $event === control.token[0] ? undefined : $event))"
      />
      <TypedInput
        v-else-if="control === 'long'"
        :id="id"
        multiline
        rows="2"
        dir="auto"
        :value="shownSetting(field, name)"
        @typed="emit('change', typedSetting(field, name, control, $event))"
      />
      <DateInput
        v-else-if="moments[control]"
        :id="id"
        :kind="moments[control]!"
        :label="$t(`model.settings.${name}`)"
        :value="shownSetting(field, name)"
        :aria-describedby="`${id}-about`"
        @update:value="emit('change', typedSetting(field, name, control, $event))"
      />
      <TypedInput
        v-else
        :id="id"
        :mono="name === 'pattern'"
        :decimal="control === 'decimal'"
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
</style>

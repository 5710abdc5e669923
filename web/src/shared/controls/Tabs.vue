<script setup lang="ts">
import { NTabPane, NTabs } from 'naive-ui';
import { nextTick, onMounted, onUpdated, useId, useTemplateRef, watch } from 'vue';

/**
 * Tabs with a pane each, in a slot of its name; a pane is drawn while it is shown. The library's tabs take a click and do not say
 * what they are: here they are tabs for assistive technology and for the arrow keys too.
 */
const props = defineProps<{ label: string; value: string; tabs: readonly { name: string; label: string }[] }>();
const emit = defineEmits<{ 'update:value': [string] }>();
const id = useId();
const frame = useTemplateRef<HTMLElement>('frame');

const found = () => [...(frame.value?.querySelectorAll<HTMLElement>('.n-tabs-tab') ?? [])];

function tell(): void {
  const list = frame.value?.querySelector('.n-tabs-wrapper');
  list?.setAttribute('role', 'tablist');
  list?.setAttribute('aria-label', props.label);
  for (const tab of found()) {
    const isShown = tab.dataset.name === props.value;
    tab.setAttribute('role', 'tab');
    tab.id = `${id}-${tab.dataset.name ?? ''}`;
    tab.tabIndex = isShown ? 0 : -1;
    tab.setAttribute('aria-selected', String(isShown));
    tab.setAttribute('aria-controls', `${id}-pane`);
  }
}

async function onKey(event: KeyboardEvent): Promise<void> {
  const target = event.target as HTMLElement;
  if (target.getAttribute('role') !== 'tab') {
    return;
  }
  const last = props.tabs.length - 1;
  const at = props.tabs.findIndex((tab) => tab.name === props.value);
  const next = { ArrowRight: Math.min(last, at + 1), ArrowLeft: Math.max(0, at - 1), Home: 0, End: last }[event.key];
  const tab = next === undefined ? undefined : props.tabs[next];
  if (tab) {
    event.preventDefault();
    emit('update:value', tab.name);
    await nextTick();
    found()
      .find((each) => each.dataset.name === tab.name)
      ?.focus();
  }
}

/** The library draws the line below a tab where that was when it was chosen. */
const list = useTemplateRef<InstanceType<typeof NTabs>>('list');
watch(
  () => props.tabs.map((tab) => tab.label).join(),
  () => {
    list.value?.syncBarPosition();
  },
  { flush: 'post' },
);
onMounted(tell);
onUpdated(tell);
</script>

<template>
  <div ref="frame" class="tabs" @keydown="onKey">
    <NTabs
      ref="list"
      type="line"
      size="small"
      :value="value"
      :pane-style="{ padding: '0' }"
      @update:value="emit('update:value', String($event))"
    >
      <NTabPane v-for="tab in tabs" :key="tab.name" :name="tab.name" display-directive="if">
        <template #tab>{{ tab.label }}</template>
      </NTabPane>
    </NTabs>
    <div :id="`${id}-pane`" role="tabpanel" :aria-labelledby="`${id}-${value}`" class="tab-pane">
      <slot v-if="value" :name="value" />
    </div>
  </div>
</template>

<style>
.tabs .n-tabs {
  --n-tab-gap: 18px !important;
}
.tab-pane {
  padding-top: 12px;
}
</style>

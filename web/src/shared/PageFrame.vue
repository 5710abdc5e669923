<script setup lang="ts">
import { useElementSize, useSessionStorage } from '@vueuse/core';
import { NButton } from 'naive-ui';
import { computed, ref, useTemplateRef } from 'vue';
import { useI18n } from 'vue-i18n';
import Dialog from '@/shared/controls/Dialog.vue';
import Segments from '@/shared/controls/Segments.vue';

/** A public page at the width of a screen it is read on, made smaller to fit in where it stands, or opened wide. */
const props = defineProps<{ html: string; title: string }>();
const { t } = useI18n();
/** Widths in CSS pixels: of a telephone, a tablet, a computer, and a sheet of A4. */
const WIDTHS = { phone: 360, tablet: 800, computer: 1280, paper: 794 };
type Device = keyof typeof WIDTHS;
/** As somebody chose it; until then what can be read where the page stands. */
const chosen = useSessionStorage<Device | ''>('jontrel.device', '');
const wide = ref(false);
const frame = useTemplateRef<HTMLElement>('frame');
const { width: room, height } = useElementSize(frame);
const LEAST_READABLE = 0.4;
const device = computed<Device>(
  () => chosen.value || (room.value / WIDTHS.computer >= LEAST_READABLE ? 'computer' : 'phone'),
);
/** On paper the rules for print hold. */
const page = computed(() =>
  device.value === 'paper'
    ? props.html.replace('href="/public/print.css" media="print"', 'href="/public/print.css"')
    : props.html,
);
const scale = computed(() => Math.min(1, room.value / WIDTHS[device.value]) || 1);
const size = computed(() => ({
  width: `${WIDTHS[device.value]}px`,
  height: `${Math.round(height.value / scale.value)}px`,
  transform: `scale(${scale.value})`,
  marginInlineStart: `${Math.max(0, Math.round((room.value - WIDTHS[device.value]) / 2))}px`,
}));
const devices = computed(() => Object.keys(WIDTHS).map((name) => ({ value: name, label: t(`proof.devices.${name}`) })));
</script>

<template>
  <div class="page-frame">
    <div class="row spread tools">
      <Segments
        :value="device"
        :options="devices"
        :aria-label="$t('proof.device')"
        @update:value="chosen = $event as Device"
      />
      <span class="row">
        <span v-if="scale < 1" class="muted">{{ $t('proof.scale', { percent: Math.round(scale * 100) }) }}</span>
        <NButton size="small" @click="wide = true">{{ $t('proof.wide') }}</NButton>
      </span>
    </div>
    <div ref="frame" class="room">
      <iframe sandbox="allow-same-origin" :title="props.title" :srcdoc="page" :style="size" />
    </div>
    <Dialog v-model="wide" :title="title" :width="1400">
      <iframe
        class="large"
        sandbox="allow-same-origin"
        :title="$t('proof.wideOf', { title })"
        :srcdoc="page"
        :style="{ maxWidth: size.width }"
      />
    </Dialog>
  </div>
</template>

<style scoped>
.page-frame {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
  min-height: 0;
}
.tools {
  flex-wrap: wrap;
  gap: 4px 8px;
}
.room {
  position: relative;
  flex: 1;
  min-height: 240px;
  overflow: hidden;
  background: var(--ground);
  border: 1px solid var(--line);
  border-radius: 4px;
}
.room iframe {
  position: absolute;
  inset: 0 auto auto 0;
  background: var(--page);
  border: 0;
  transform-origin: 0 0;
}
.large {
  display: block;
  width: 100%;
  height: 70vh;
  margin: 0 auto;
  background: var(--page);
  border: 1px solid var(--line);
}
</style>

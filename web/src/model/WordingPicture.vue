<script setup lang="ts">
/** A small picture of where a wording appears: a button, a heading, a search box, an empty list or a message. */
const props = defineProps<{ name: string; text: string }>();
const shapes: Record<string, 'button' | 'link' | 'heading' | 'box' | 'list' | 'message'> = {
  add: 'button',
  edit: 'heading',
  delete: 'button',
  view: 'link',
  all: 'link',
  search: 'box',
  choose: 'box',
  empty: 'list',
  not_found: 'list',
  untitled: 'heading',
  saved: 'message',
  published: 'message',
  deleted: 'message',
};
</script>

<template>
  <div class="picture" :class="shapes[props.name]" aria-hidden="true">
    <template v-if="shapes[name] === 'list'"><i /><i /></template>
    <span dir="auto">{{ text }}</span>
    <template v-if="shapes[name] === 'heading'"><i /><i class="short" /></template>
  </div>
</template>

<style scoped>
.picture {
  display: flex;
  flex-direction: column;
  justify-content: center;
  gap: 4px;
  height: 56px;
  padding: 6px 8px;
  font-size: 12px;
  line-height: 16px;
  background: var(--ground);
  border: 1px solid var(--line);
  border-radius: 4px;
  overflow: hidden;
}
.picture span {
  align-self: flex-start;
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.button span {
  padding: 3px 8px;
  color: var(--on-petrol);
  background: var(--petrol);
  border-radius: 3px;
}
.link span {
  color: var(--petrol);
  text-decoration: underline;
}
.heading span {
  font-weight: 650;
}
.box span {
  align-self: stretch;
  padding: 3px 6px;
  color: var(--muted);
  background: var(--surface);
  border: 1px solid var(--muted);
  border-radius: 3px;
}
.list {
  flex-direction: column-reverse;
}
.list span {
  align-self: center;
  color: var(--muted);
}
.message span {
  padding: 3px 8px;
  color: var(--moss);
  background: var(--surface);
  border: 1px solid var(--moss);
  border-radius: 3px;
}
i {
  height: 3px;
  background: var(--line);
}
i.short {
  width: 60%;
}
</style>

<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import Choices from '@/shared/controls/Choices.vue';
import ColourInput from '@/shared/controls/ColourInput.vue';
import ControlSet from '@/shared/controls/ControlSet.vue';
import DateInput from '@/shared/controls/DateInput.vue';
import Dialog from '@/shared/controls/Dialog.vue';
import Disclosure from '@/shared/controls/Disclosure.vue';
import FilePicker from '@/shared/controls/FilePicker.vue';
import Menu from '@/shared/controls/Menu.vue';
import NumberInput from '@/shared/controls/NumberInput.vue';
import Radios from '@/shared/controls/Radios.vue';
import SearchInput from '@/shared/controls/SearchInput.vue';
import Segments from '@/shared/controls/Segments.vue';
import SliderInput from '@/shared/controls/SliderInput.vue';
import SplitPanes from '@/shared/controls/SplitPanes.vue';
import Tabs from '@/shared/controls/Tabs.vue';
import TextInput from '@/shared/controls/TextInput.vue';
import TypedInput from '@/shared/controls/TypedInput.vue';
import WidthHandle from '@/shared/controls/WidthHandle.vue';
import { useConfirm } from '@/shared/controls/confirming';

/** Every wrapper as screens use it: empty, filled, wrong and disabled. Shown to tests only; no part of the application. */
const fruits = [
  { value: 'apple', label: 'Apple' },
  { value: 'pear', label: 'Pear' },
  { value: 'quince', label: 'Quince' },
];
/** More than a list shows at once. */
const villages = Array.from({ length: 40 }, (_, i) => ({ value: `v${i}`, label: `Village ${i + 1}` }));
const words = ref('');
const picked = ref('');
const trees = computed(() =>
  fruits
    .filter((each) => each.label.toLowerCase().includes(words.value.toLowerCase()))
    .map((each) => ({ ...each, detail: 'fruit' })),
);
const text = ref('Quay');
const number = ref('2.5');
const one = ref('pear');
const some = ref(['apple', 'pear']);
const isOn = ref(true);
const tab = ref('apple');
const level = ref(30);
const colour = ref('#1d5a6b');
const day = ref('2026-05-01');
const width = ref(160);
const open = ref(false);
const isConfirmed = useConfirm();
const answer = ref('');
const wrong = (id: string) => ({ 'aria-invalid': true, 'aria-describedby': `${id}-problem` });

async function ask(): Promise<void> {
  answer.value = (await isConfirmed('Remove the pear for good?', 'Remove')) ? 'Removed' : 'Kept';
}
</script>

<template>
  <main class="gallery">
    <h1>Controls</h1>
    <section data-control="TextInput">
      <label for="text">Text</label>
      <TextInput id="text" v-model:value="text" />
      <label for="long">Long text</label>
      <TextInput id="long" v-model:value="text" multiline />
      <label for="wrong">Wrong text</label>
      <TextInput id="wrong" v-model:value="text" v-bind="wrong('wrong')" />
      <p id="wrong-problem" class="problem">Text must be shorter.</p>
      <label for="secret">Password</label>
      <TextInput id="secret" v-model:value="text" secret />
      <TextInput v-model:value="text" cell aria-label="Text in a cell" />
      <TextInput v-model:value="text" disabled aria-label="Disabled text" />
      <TextInput value="" placeholder="Search fruits" aria-label="Search fruits" />
    </section>
    <section data-control="TypedInput">
      <TypedInput :value="text" aria-label="Typed text" @typed="text = $event" />
    </section>
    <section data-control="NumberInput">
      <label for="number">Number</label>
      <NumberInput id="number" v-model:value="number" suffix="m" />
    </section>
    <section data-control="DateInput">
      <label for="day">Day</label>
      <DateInput id="day" v-model:value="day" kind="date" label="Day" />
      <label for="moment">Moment</label>
      <DateInput id="moment" value="" kind="date_time" label="Moment" />
    </section>
    <section data-control="ColourInput">
      <label for="colour">Colour</label>
      <ColourInput id="colour" v-model:value="colour" label="Colour" />
    </section>
    <section data-control="Choice">
      <label for="choice">Choice</label>
      <Choice id="choice" v-model:value="one" :options="fruits" />
      <Choice value="" :options="fruits" placeholder="Choose a fruit" aria-label="Empty choice" />
      <Choice value="v30" :options="villages" aria-label="Long choice" />
      <Choice value="" :options="[]" aria-label="Choice of nothing" />
      <Choice :value="one" :options="fruits" disabled aria-label="Disabled choice" />
    </section>
    <section data-control="Choices">
      <Choices v-model:values="some" :options="fruits" aria-label="Choices" />
      <Choices :values="['v30']" :options="villages" aria-label="Long choices" />
    </section>
    <section data-control="Check">
      <Check v-model:checked="isOn">Ripe</Check>
      <Check :checked="false" disabled>Disabled tick</Check>
    </section>
    <section data-control="Radios">
      <span id="radios-label">Radios</span>
      <Radios v-model:value="one" :options="fruits" aria-labelledby="radios-label" />
    </section>
    <section data-control="SearchInput">
      <label for="search">Search</label>
      <SearchInput
        id="search"
        v-model:words="words"
        :found="trees"
        none="Nothing found"
        settled
        @pick="picked = $event"
      />
      <p class="picked">{{ picked }}</p>
      <SearchInput words="" :found="villages" none="Nothing found" settled several aria-label="Long search" />
      <label for="search-off">Search, disabled</label>
      <SearchInput id="search-off" words="" :found="[]" none="Nothing found" settled disabled />
    </section>
    <section data-control="Segments">
      <Segments v-model:value="one" :options="fruits" aria-label="Segments" />
    </section>
    <section data-control="SliderInput">
      <span id="slider-label">Slider</span>
      <SliderInput v-model:value="level" :min="0" :max="100" :step="5" labelledby="slider-label" />
    </section>
    <section data-control="FilePicker">
      <FilePicker area label="Picture" hint="or drop it here" />
      <FilePicker label="Package (zip)" />
    </section>
    <section data-control="ControlSet">
      <ControlSet legend="Set of controls" disabled>
        <TextInput :value="text" aria-label="Text in a disabled set" />
        <Check :checked="true">Tick in a disabled set</Check>
      </ControlSet>
    </section>
    <section data-control="Tabs">
      <Tabs v-model:value="tab" label="Fruits" :tabs="fruits.map(({ value, label }) => ({ name: value, label }))">
        <template #apple>About apples</template>
        <template #pear>About pears</template>
        <template #quince>About quinces</template>
      </Tabs>
    </section>
    <section data-control="Disclosure">
      <Disclosure title="More about fruit"><p>Fruit grows on trees.</p></Disclosure>
    </section>
    <section data-control="Menu">
      <Menu label="Fruit options"><NButton size="small">Peel it</NButton></Menu>
    </section>
    <section data-control="Dialog">
      <NButton @click="open = true">Open a dialog</NButton>
      <NButton @click="ask">Ask a question</NButton> <span role="status">{{ answer }}</span>
      <Dialog v-model="open" title="A dialog" :width="400">
        <label for="within">Within</label>
        <TextInput id="within" v-model:value="text" />
      </Dialog>
    </section>
    <section data-control="WidthHandle">
      <div class="handled">
        Column
        <WidthHandle :width="width" :min="80" :max="300" label="Width of the column" @width="width = $event" />
      </div>
    </section>
    <section data-control="SplitPanes" class="panes">
      <SplitPanes name="gallery" label="Width of the list" side="first" :start="160" :min="80" :max="300">
        <template #first><p>List</p></template>
        <template #second><p>Sheet</p></template>
      </SplitPanes>
    </section>
  </main>
</template>

<style scoped>
.gallery {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 16px 24px;
  max-width: 1180px;
  padding: 16px;
}
h1 {
  grid-column: 1 / -1;
}
section {
  display: flex;
  flex-direction: column;
  gap: 6px;
  min-width: 0;
  padding: 12px;
  background: var(--surface);
  border: 1px solid var(--line);
  border-radius: 4px;
}
.handled {
  position: relative;
  width: 160px;
  padding: 8px;
}
.panes {
  height: 120px;
}
</style>

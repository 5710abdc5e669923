import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import TypedInput from './TypedInput.vue';

describe('a text that is sent on while it is typed', () => {
  it('shows what was typed, whatever answers come meanwhile', async () => {
    const input = mount(TypedInput, { props: { value: 'dB', id: 'unit' } });
    const box = input.get('input');
    await box.trigger('focus');
    await box.setValue('dB peak');
    await input.setProps({ value: 'dB' });
    expect(box.element.value).toBe('dB peak');
    await box.setValue('dB peak level');
    await input.setProps({ value: 'dB peak' });
    expect(box.element.value).toBe('dB peak level');
    expect(input.emitted('typed')).toEqual([['dB peak'], ['dB peak level']]);
    expect(box.attributes('id')).toBe('unit');
  });

  it('keeps a number that is not finished yet', async () => {
    const input = mount(TypedInput, { props: { value: '2' } });
    const box = input.get('input');
    await box.trigger('focus');
    await box.setValue('2.');
    await input.setProps({ value: '2' });
    expect(box.element.value).toBe('2.');
    await box.trigger('blur');
    expect(box.element.value).toBe('2');
    await input.setProps({ value: '3' });
    expect(box.element.value).toBe('3');
  });
});

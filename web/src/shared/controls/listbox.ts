import { useMutationObserver } from '@vueuse/core';
import { nextTick, onMounted, onUpdated, ref, useId, watch, type Ref } from 'vue';
import type { SelectGroupOption, SelectOption } from 'naive-ui';
import './listbox.css';

/** Lists of more options than this draw only those that are seen. */
export const VIRTUAL_FROM = 300;

export interface ChoiceOption {
  value: string | undefined;
  label: string;
  disabled?: boolean;
}
export interface ChoiceGroup {
  label: string;
  options: ChoiceOption[];
}
export type ChoiceOptions = readonly (ChoiceOption | ChoiceGroup)[];

/** The options without their groups. */
export function flatOptions(options: ChoiceOptions): ChoiceOption[] {
  return options.flatMap((each) => ('options' in each ? each.options : [each]));
}

/** The options as the library takes them. */
export function libraryOptions(options: ChoiceOptions): (SelectOption | SelectGroupOption)[] {
  return options.map((each) =>
    'options' in each
      ? { type: 'group', key: each.label, label: each.label, children: each.options }
      : (each as SelectOption),
  );
}

/** Scrolls the list alone, and nothing around it. */
function bring(option: Element, list: HTMLElement): void {
  const seen = list.getBoundingClientRect();
  const { top, bottom } = option.getBoundingClientRect();
  list.scrollTop += Math.min(0, top - seen.top) + Math.max(0, bottom - seen.bottom);
}

interface Listed {
  frame: Readonly<Ref<HTMLElement | null>>;
  /** The attributes that the control was given. */
  given: () => Record<string, unknown>;
  options: () => ChoiceOption[];
  isChosen: (value: unknown) => boolean;
  isDisabled: () => boolean;
}

/**
 * The library's lists take the keyboard but do not say what they are: this makes a combobox with a listbox of one, named by
 * `aria-label`, `aria-labelledby` or a `<label for>` of its `id`.
 */
export function useListbox(listed: Listed) {
  const own = useId();
  const menuId = `${own}-menu`;
  const open = ref(false);
  const pending = ref<string>();

  const box = () =>
    listed.frame.value?.querySelector<HTMLElement>('input') ??
    listed.frame.value?.querySelector<HTMLElement>('.n-base-selection-label, .n-base-selection-tags');

  const optionProps = (option: SelectOption | SelectGroupOption) =>
    option.type === 'group'
      ? { role: 'presentation' }
      : {
          role: 'option',
          id: `${own}-${String(listed.options().findIndex((each) => each.value === option.value))}`,
          'aria-selected': listed.isChosen(option.value),
          'aria-disabled': option.disabled ? true : undefined,
        };

  function put(element: HTMLElement, name: string, value: unknown): void {
    if (value === undefined || value === null || (value === false && !name.startsWith('aria-'))) {
      element.removeAttribute(name);
    } else {
      element.setAttribute(name, value as string);
    }
  }

  /** A `<label for>` names only native controls by itself. */
  function labelled(element: HTMLElement, id: string): void {
    const label = document.querySelector<HTMLLabelElement>(`label[for="${CSS.escape(id)}"]`);
    if (label) {
      label.id ||= `${id}-label`;
      label.onclick = focus;
      element.setAttribute('aria-labelledby', label.id);
    }
  }

  function tell(): void {
    const element = box();
    if (!element) {
      return;
    }
    const given = listed.given();
    const all: Record<string, unknown> = {
      role: 'combobox',
      'aria-haspopup': 'listbox',
      'aria-expanded': open.value,
      'aria-controls': open.value ? menuId : undefined,
      'aria-activedescendant': open.value ? pending.value : undefined,
      'aria-disabled': listed.isDisabled() ? true : undefined,
      ...given,
    };
    Object.entries(all)
      .filter(([name]) => !/^on[A-Z]/.test(name))
      .forEach(([name, value]) => {
        put(element, name, value);
      });
    if (typeof given.id === 'string' && given['aria-label'] === undefined && given['aria-labelledby'] === undefined) {
      labelled(element, given.id);
    }
  }

  function listen(): void {
    Object.keys(listed.given())
      .filter((name) => /^on[A-Z]/.test(name))
      .forEach((name) => {
        const pass = (event: Event) => {
          (listed.given()[name] as ((event: Event) => void) | undefined)?.(event);
        };
        listed.frame.value?.addEventListener(name.slice(2).toLowerCase(), pass, true);
      });
  }

  onMounted(() => {
    listen();
    tell();
  });
  onUpdated(tell);
  // the library draws its box anew when something is chosen
  useMutationObserver(listed.frame, tell, { childList: true, subtree: true });
  watch([open, pending], tell, { flush: 'post' });

  /** Which option the arrows are on. */
  async function follow(): Promise<void> {
    await nextTick();
    const list = document.getElementById(menuId);
    const option = list?.querySelector('.n-base-select-option--pending');
    if (list && option) {
      bring(option, list);
    }
    pending.value = option?.id;
  }

  function focus(): void {
    box()?.focus();
  }

  const menuProps = (several = false): object => {
    const given = listed.given();
    const id = typeof given.id === 'string' ? `${given.id}-label` : undefined;
    return {
      id: menuId,
      role: 'listbox',
      'aria-multiselectable': several ? true : undefined,
      'aria-label': given['aria-label'],
      'aria-labelledby': given['aria-label'] === undefined ? (given['aria-labelledby'] ?? id) : undefined,
    };
  };

  function shown(isOpen: boolean): void {
    open.value = isOpen;
    void follow();
  }

  return { menuProps, optionProps, follow, shown, focus };
}

import { useAttrs } from 'vue';

type Attributes = Record<string, unknown>;

/**
 * What a control was given: class and style are its frame's, all else is the native control's within. They are functions, for
 * attributes are not reactive; a component asks them while it renders.
 */
export function useSplitAttributes(): { frame: () => Attributes; inner: () => Attributes } {
  const all: Attributes = useAttrs();
  const parts = (isFrame: boolean) => (): Attributes =>
    Object.fromEntries(Object.entries(all).filter(([name]) => (name === 'class' || name === 'style') === isFrame));
  return { frame: parts(true), inner: parts(false) };
}

export function isInvalid(attributes: Attributes): boolean {
  return attributes['aria-invalid'] === true || attributes['aria-invalid'] === 'true';
}

import type { Component } from 'vue';
import IconType from '~icons/tabler/forms';
import IconTaxonomy from '~icons/tabler/hierarchy-2';
import IconGroup from '~icons/tabler/box-multiple';
import IconList from '~icons/tabler/list-details';
import IconValues from '~icons/tabler/adjustments';
import IconLayout from '~icons/tabler/layout';
import IconListing from '~icons/tabler/table';
import IconPart from '~icons/tabler/puzzle';
import IconLook from '~icons/tabler/palette';
import type { Schemas } from './api/client';
import { isGroup, type ContentType, type Field, type Group, type Section } from './kinds';

export type Taxonomy = Schemas['Taxonomy'];
export type Term = Schemas['Term'];
export type SharedGroup = Schemas['SharedGroup'];
export type ChoiceList = Schemas['ChoiceList'];
export type SiteValues = Schemas['SiteValues'];
export type Layout = Schemas['Layout'];
export type Listing = Schemas['Listing'];
export type PagePart = Schemas['PagePart'];
export type Look = Schemas['Look'];
export type TaxonomyUse = Schemas['TaxonomyUse'];

/** Each sort of definition with its class: the tag tells them apart. */
interface Sorts {
  type: ContentType;
  taxonomy: Taxonomy;
  group: SharedGroup;
  list: ChoiceList;
  values: SiteValues;
  layout: Layout;
  listing: Listing;
  part: PagePart;
  look: Look;
}
export type Sort = keyof Sorts;
export type Definition = Sorts[Sort];
export type Defined = { [S in Sort]: { sort: S; definition: Sorts[S] } }[Sort];
export type DefinitionOf<S extends Sort> = Sorts[S];

/** The sorts in the order people read them, with their icons; the compiler names one that is missing. */
export const sortIcons: Record<Sort, Component> = {
  type: IconType,
  taxonomy: IconTaxonomy,
  group: IconGroup,
  list: IconList,
  values: IconValues,
  layout: IconLayout,
  listing: IconListing,
  part: IconPart,
  look: IconLook,
};
export const sorts = Object.keys(sortIcons) as Sort[];

export function defined(view: Schemas['DefinitionView']): Defined {
  return { sort: view.sort, definition: view.definition } as Defined;
}

export function idOf(each: Defined): string {
  return each.definition.id ?? '';
}

export function nameOf(each: Defined): string {
  return ('singular' in each.definition ? each.definition.singular : each.definition.title) || each.definition.key;
}

/** The groups and uses of groups that a definition's fields stand in. */
export function sectionsOf(each: Defined): Section[] {
  switch (each.sort) {
    case 'type':
    case 'values':
    case 'taxonomy':
      return each.definition.groups ?? [];
    case 'group':
    case 'list':
    case 'layout':
    case 'listing':
    case 'part':
    case 'look':
      return [];
  }
}

/** Fields that stand in a definition itself, without a group. */
export function bareFieldsOf(each: Defined): Field[] {
  return each.sort === 'taxonomy' || each.sort === 'group' ? (each.definition.fields ?? []) : [];
}

/** What has records to choose from a list: types, then taxonomies. */
export function recordOptionsOf(definitions: Defined[]): { value: string; label: string }[] {
  return (['type', 'taxonomy'] as const).flatMap((sort) =>
    definitions.flatMap((each) =>
      each.sort === sort && 'plural' in each.definition ? [{ value: idOf(each), label: each.definition.plural }] : [],
    ),
  );
}

/** The groups of a definition's own; fields that stand in none are one more. */
export function ownGroupsOf(each: Defined): Group[] {
  const bare = bareFieldsOf(each);
  const groups = sectionsOf(each).filter(isGroup);
  return bare.length ? [{ title: nameOf(each), fields: bare }, ...groups] : groups;
}

/** The fields within a field. */
export function innerOf(field: Field): Field[] {
  return field.kind === 'group' || field.kind === 'repeater' ? field.fields : [];
}

export function withInnerOf(fields: Field[]): Field[] {
  return fields.flatMap((field) => [field, ...withInnerOf(innerOf(field))]);
}

/** All fields of a definition's own, also those within fields. */
export function fieldsWithin(each: Defined): Field[] {
  const own = sectionsOf(each).flatMap((section) => ('title' in section ? (section.fields ?? []) : []));
  return withInnerOf([...bareFieldsOf(each), ...own]);
}

const counts = new WeakMap<Definition, { what: 'fields' | 'options' | 'blocks' | 'none'; n: number }>();

/** The same as {@link counted}, counted once for each state of a definition. */
export function countOf(each: Defined): { what: 'fields' | 'options' | 'blocks' | 'none'; n: number } {
  const known = counts.get(each.definition) ?? counted(each);
  counts.set(each.definition, known);
  return known;
}

/** How many things of its own a definition holds: fields, or what it has instead. */
function counted(each: Defined): { what: 'fields' | 'options' | 'blocks' | 'none'; n: number } {
  switch (each.sort) {
    case 'list':
      return { what: 'options', n: each.definition.options?.length ?? 0 };
    case 'layout':
    case 'part':
      return { what: 'blocks', n: each.definition.blocks?.length ?? 0 };
    case 'listing':
    case 'look':
      return { what: 'none', n: 0 };
    default:
      return { what: 'fields', n: fieldsWithin(each).length };
  }
}

/** Whether there is nothing in it yet but its names. */
export function isBare(each: Defined): boolean {
  const { what, n } = countOf(each);
  return what !== 'none' && n === 0 && !(each.sort === 'taxonomy' && each.definition.terms?.length);
}

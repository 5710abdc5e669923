import ELK, { type ElkExtendedEdge, type ElkNode } from 'elkjs/lib/elk-api';
import workerUrl from 'elkjs/lib/elk-worker.min.js?url';
import { idOf, nameOf, sectionsOf, fieldsWithin, type Defined, type Sort } from '@/shared/definitions';
import { isGroup } from '@/shared/kinds';

export interface MapNode {
  id: string;
  sort: Sort;
  name: string;
  x: number;
  y: number;
  width: number;
  height: number;
}

export interface MapEdge {
  id: string;
  from: string;
  to: string;
  label: string;
  points: { x: number; y: number }[];
  labelAt: { x: number; y: number } | undefined;
}

export interface Laid {
  nodes: MapNode[];
  edges: MapEdge[];
  width: number;
  height: number;
}

export interface Link {
  from: string;
  to: string;
  label: string;
}

const DRAWN: Sort[] = ['type', 'taxonomy', 'group'];
const CHARACTER = 7.6;
const HEIGHT = 44;

/** What leads from one definition to another: relations, terms, taxonomies and shared groups in use, nesting. */
export function linksOf(definitions: Defined[], words: { under: string }): Link[] {
  const drawn = new Set(definitions.filter((each) => DRAWN.includes(each.sort)).map(idOf));
  const links = definitions.flatMap((each): Link[] => {
    const from = idOf(each);
    const fields = fieldsWithin(each).flatMap((field): Link[] => {
      if (field.kind === 'relation') {
        return field.to.map((to) => ({ from, to, label: field.label }));
      }
      return field.kind === 'term' ? [{ from, to: field.taxonomy, label: field.label }] : [];
    });
    const shared = sectionsOf(each).flatMap((section) =>
      isGroup(section) ? [] : [{ from, to: section.use, label: '' }],
    );
    const more =
      each.sort === 'type'
        ? [
            ...(each.definition.taxonomies ?? []).map((use) => ({ from, to: use.use, label: '' })),
            ...(each.definition.nested?.under ?? []).map((to) => ({ from, to, label: words.under })),
          ]
        : [];
    return [...fields, ...shared, ...more];
  });
  return links.filter((link) => drawn.has(link.from) && drawn.has(link.to));
}

/** A definition, and what leads to it or from it. */
export function neighbours(id: string, links: Link[]): Set<string> {
  const near = new Set([id]);
  for (const link of links) {
    if (link.from === id) {
      near.add(link.to);
    }
    if (link.to === id) {
      near.add(link.from);
    }
  }
  return near;
}

let elk: InstanceType<typeof ELK> | undefined;

const APART = 28;
/** As far apart as nodes of a layer may stand, as a multiple of the least. */
const MOST_APART = 4;
/** How much more than its distances a picture grows with them. */
const GROWTH = 2;
/** Larger pictures are laid out once. */
const MOST_NODES = 100;

/**
 * The picture of definitions and links; where it leaves much of the room empty below, its nodes stand further apart.
 *
 * @param room width and height of where it is shown
 */
export async function laidOut(
  definitions: Defined[],
  links: Link[],
  room: { width: number; height: number },
): Promise<Laid> {
  const first = await layered(definitions, links, APART);
  const scale = Math.min(1, room.width / first.width);
  const empty = room.height / (first.height * scale);
  if (first.nodes.length > MOST_NODES || !Number.isFinite(empty) || empty < 1.2) {
    return first;
  }
  const apart = APART * Math.min(MOST_APART, 1 + (empty - 1) * GROWTH);
  const second = await layered(definitions, links, apart);
  return second.height * Math.min(1, room.width / second.width) <= room.height ? second : first;
}

/** Laid out in layers by a library in a worker. */
async function layered(definitions: Defined[], links: Link[], apart: number): Promise<Laid> {
  elk ??= new ELK({ workerFactory: () => new Worker(workerUrl) });
  const drawn = definitions.filter((each) => DRAWN.includes(each.sort));
  const bySort = new Map(drawn.map((each) => [idOf(each), each]));
  const graph: ElkNode = await elk.layout({
    id: 'map',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'RIGHT',
      'elk.edgeRouting': 'ORTHOGONAL',
      'elk.spacing.nodeNode': String(apart),
      'elk.layered.spacing.nodeNodeBetweenLayers': '60',
      'elk.separateConnectedComponents': 'true',
      'elk.aspectRatio': '1.6',
    },
    children: drawn.map((each) => ({
      id: idOf(each),
      width: Math.max(110, nameOf(each).length * CHARACTER + 40),
      height: HEIGHT,
    })),
    edges: links.map((link, i) => ({
      id: `e${String(i)}`,
      sources: [link.from],
      targets: [link.to],
      labels: link.label ? [{ text: link.label, width: link.label.length * 6.2 + 6, height: 14 }] : [],
    })),
  });
  return {
    nodes: (graph.children ?? []).flatMap((node) => drawnNode(node, bySort.get(node.id))),
    edges: (graph.edges ?? []).map((edge, i) => drawnEdge(edge, links[i])),
    width: graph.width ?? 0,
    height: graph.height ?? 0,
  };
}

function drawnNode(node: ElkNode, of: Defined | undefined): MapNode[] {
  return of
    ? [
        {
          id: node.id,
          sort: of.sort,
          name: nameOf(of),
          x: node.x ?? 0,
          y: node.y ?? 0,
          width: node.width ?? 0,
          height: node.height ?? 0,
        },
      ]
    : [];
}

function drawnEdge(edge: ElkExtendedEdge, link: Link | undefined): MapEdge {
  const section = edge.sections?.[0];
  const label = edge.labels?.[0];
  return {
    id: edge.id,
    from: link?.from ?? '',
    to: link?.to ?? '',
    label: link?.label ?? '',
    points: section ? [section.startPoint, ...(section.bendPoints ?? []), section.endPoint] : [],
    labelAt: label ? { x: (label.x ?? 0) + 3, y: (label.y ?? 0) + 11 } : undefined,
  };
}

/** What a look can say, and what is meant where it says nothing: as core has it, which `looks.test.ts` holds. */
export const typefaces = ['hyperlegible', 'work_sans', 'literata', 'source_serif', 'bitter', 'fraunces'] as const;
export const roles = ['ground', 'text', 'quiet', 'link', 'band', 'highlight'] as const;

/** What is one of three words. */
export const shapes = [
  { name: 'heading_sizes', words: ['calm', 'clear', 'loud'] },
  { name: 'corners', words: ['square', 'soft', 'round'] },
  { name: 'spacing', words: ['close', 'normal', 'airy'] },
  { name: 'width', words: ['narrow', 'medium', 'wide'] },
  { name: 'header', words: ['band', 'plain', 'centred'] },
] as const;

export const usual = {
  text: 'hyperlegible',
  headings: 'hyperlegible',
  size: 18,
  heading_sizes: 'clear',
  corners: 'soft',
  spacing: 'normal',
  width: 'medium',
  header: 'band',
  colours: {
    ground: '#ffffff',
    text: '#1f2328',
    quiet: '#57606a',
    link: '#0b5394',
    band: '#24435c',
    highlight: '#f2c14e',
  },
} as const;

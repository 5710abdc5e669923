/** Saving what is drawn as a file of the person's. */

function save(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => {
    URL.revokeObjectURL(link.href);
  }, 1_000);
}

function source(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const [, , width, height] = (svg.getAttribute('viewBox') ?? '').split(' ');
  copy.setAttribute('width', width ?? '0');
  copy.setAttribute('height', height ?? '0');
  return new XMLSerializer().serializeToString(copy);
}

export function saveSvg(svg: SVGSVGElement, name: string): void {
  save(new Blob([source(svg)], { type: 'image/svg+xml' }), `${name}-map.svg`);
}

/** At twice the size, so that it is sharp in print. */
export async function savePng(svg: SVGSVGElement, name: string): Promise<void> {
  const [, , width = '0', height = '0'] = (svg.getAttribute('viewBox') ?? '').split(' ');
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(source(svg))}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = Math.ceil(Number(width) * 2);
  canvas.height = Math.ceil(Number(height) * 2);
  const pen = canvas.getContext('2d');
  if (!pen) {
    return;
  }
  pen.fillStyle = 'white';
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.drawImage(image, 0, 0, canvas.width, canvas.height);
  canvas.toBlob((blob) => {
    if (blob) {
      save(blob, `${name}-map.png`);
    }
  }, 'image/png');
}

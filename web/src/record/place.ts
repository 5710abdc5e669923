interface Place {
  latitude: string;
  longitude: string;
}

const NUMBER = '[+-]?\\d{1,3}(?:\\.\\d+)?';
const PAIR = new RegExp(`^(${NUMBER})\\s*(?:,|;|\\s)\\s*(${NUMBER})$`);
const ADDRESS = new RegExp(`^geo:(${NUMBER}),(${NUMBER})(?:[,;?].*)?$`, 'i');

/** A place out of two numbers, latitude first, or a `geo:` address (RFC 5870). */
export function readPlace(text: string): Place | undefined {
  const found = PAIR.exec(text.trim()) ?? ADDRESS.exec(text.trim());
  const [, latitude = '', longitude = ''] = found ?? [];
  return found && Math.abs(Number(latitude)) <= 90 && Math.abs(Number(longitude)) <= 180
    ? { latitude, longitude }
    : undefined;
}

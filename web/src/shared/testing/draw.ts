/** Numbers below a bound that look drawn by lot, and are the same for the same seed: a law that fails, fails again. */
export function drawing(seed: number): (bound: number) => number {
  let state = seed;
  return (bound) => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return Math.floor((state / 2_147_483_648) * bound);
  };
}

/** What there is to know of a token that programs come with. */
export interface Token {
  id: number;
  name: string;
  createdAt?: string;
  createdBy: string;
  usedAt?: string;
  expiresAt?: string;
}

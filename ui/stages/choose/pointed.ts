/** What is pointed at in a list: the models by place, null where the old one stays, and what they are called. */
export interface Pointed {
  readonly choices: Readonly<Record<string, string | null>>
  readonly name: string
}

export type OnPoint = (pointed: Pointed | null) => void

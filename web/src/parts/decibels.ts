/** A true minus sign and one decimal; −∞ is a value of its own. */
export function levelText(level: number | null | undefined): string {
  if (level === null) return '−∞'
  if (level === undefined) return ''
  return numberText(level, 1)
}

export function numberText(value: number, digits: number): string {
  return (Math.abs(value) < 10 ** -digits / 2 ? 0 : value).toFixed(digits).replace('-', '−')
}

/** "18 R", "C", "9 L": hundredths of the way to a side. */
export function panText(pan: number): string {
  const share = Math.round(Math.abs(pan) * 100)
  return share === 0 ? 'C' : `${share} ${pan < 0 ? 'L' : 'R'}`
}

/** @returns undefined where the text is no pan */
export function panFromText(text: string): number | undefined {
  const match = /^\s*(?:c|centre|center|(\d+(?:\.\d+)?)\s*([lr])?|([lr])\s*(\d+(?:\.\d+)?))\s*$/i.exec(text)
  if (!match) return undefined
  const share = Number(match[1] ?? match[4] ?? 0) / 100
  const left = (match[2] ?? match[3])?.toLowerCase() === 'l'
  return share > 1 ? undefined : left ? -share : share
}

/** @returns null for −∞, undefined where the text is no level */
export function levelFromText(text: string): number | null | undefined {
  const plain = text
    .trim()
    .replace('−', '-')
    .replace(/\s*db$/i, '')
  return /^(-?inf|-?∞|off)$/i.test(plain) ? null : numberFromText(plain)
}

/**
 * A plain number, with or without the unit that the field has; a decimal comma is one.
 * @returns undefined where the text is anything else: a prefix or another unit is not guessed at
 */
export function numberFromText(text: string, unit = ''): number | undefined {
  const plain = text.trim().replace('−', '-').replace(',', '.')
  const bare = unit && plain.toLowerCase().endsWith(unit.toLowerCase()) ? plain.slice(0, -unit.length).trim() : plain
  return /^[+-]?(\d+(\.\d*)?|\.\d+)$/.test(bare) ? Number(bare) : undefined
}

export function secondsText(seconds: number): string {
  const whole = Math.round(seconds)
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}

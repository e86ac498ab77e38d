import { THEME_COOKIE } from '../browser/theme-cookie'

export type Theme = 'paper' | 'dark'

export function setTheme(theme: Theme): void {
  document.documentElement.dataset.theme = theme
  document.cookie = `${THEME_COOKIE}=${theme}; path=/; max-age=31536000; samesite=lax`
}

export const currentTheme = (): Theme =>
  document.documentElement.dataset.theme === 'dark' ? 'dark' : 'paper'

export const toggleTheme = (): void => setTheme(currentTheme() === 'dark' ? 'paper' : 'dark')

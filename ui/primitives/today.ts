/** The day it is where the page is read, as YYYY-MM-DD. */
export const today = () => {
  const now = new Date()
  const two = (figure: number) => String(figure).padStart(2, '0')
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`
}

/** Says a sentence aloud where the browser can; a new one cuts the old one short. */
export function say(sentence: string): void {
  if (typeof window === 'undefined' || !('speechSynthesis' in window)) return;
  window.speechSynthesis.cancel();
  window.speechSynthesis.speak(new SpeechSynthesisUtterance(sentence));
}

/** Units and signs as they are spoken. */
export function spoken(text: string): string {
  return text
    .replace(/(\d)\s*mV\b/g, '$1 millivolts')
    .replace(/(\d)\s*kΩ/g, '$1 kilohms')
    .replace(/(\d)\s*MΩ/g, '$1 megohms')
    .replace(/(\d)\s*Ω/g, '$1 ohms')
    .replace(/(\d)\s*V\b/g, '$1 volts')
    .replace(/±/g, 'plus or minus ')
    .replace(/(^|\s)-(\d)/g, '$1minus $2');
}

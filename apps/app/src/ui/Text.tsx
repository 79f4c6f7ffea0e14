import { Text as NativeText, type TextProps } from 'react-native';

/** The one way text is set: react-native-web's own inherits no font. */
export function Text({ className = '', ...rest }: TextProps & { className?: string }) {
  const font = /\bfont-/.test(className) ? '' : 'font-sans';
  const size = /\btext-(small|body|lead|title|head|dial|reading|wide)\b/.test(className) ? '' : 'text-body';
  const colour = /\btext-(ink|ink2|lime|sheet|copper|oncopper|slate|verdigris|brass|oxide)\b/.test(className) ? '' : 'text-ink';
  return <NativeText className={`${font} ${size} ${colour} ${className}`} {...rest} />;
}

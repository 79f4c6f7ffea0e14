import { Barlow_400Regular } from '@expo-google-fonts/barlow/400Regular';
import { Barlow_600SemiBold } from '@expo-google-fonts/barlow/600SemiBold';
import { fontAsBase64 } from '../../ui/fontData';

interface PdfWriter {
  addVirtualFileSystem(files: Record<string, string>): void;
  addFonts(fonts: Record<string, Record<string, string>>): void;
  createPdf(document: object): { getBlob(): Promise<Blob> };
}

/** Makes the PDF on this device, network or none: the writer and the app's own fonts are kept with the app. */
export async function makePdf(document: object): Promise<Blob> {
  const [writer, regular, bold] = await Promise.all([loadWriter(), fontAsBase64(Barlow_400Regular), fontAsBase64(Barlow_600SemiBold)]);
  writer.addVirtualFileSystem({ 'Barlow-Regular.ttf': regular, 'Barlow-SemiBold.ttf': bold });
  writer.addFonts({
    Barlow: {
      normal: 'Barlow-Regular.ttf',
      bold: 'Barlow-SemiBold.ttf',
      italics: 'Barlow-Regular.ttf',
      bolditalics: 'Barlow-SemiBold.ttf',
    },
  });
  return writer.createPdf(document).getBlob();
}

async function loadWriter(): Promise<PdfWriter> {
  // The browser build, whole: the package's own modules are for Node.
  const module = (await import('pdfmake/build/pdfmake.min.js')) as unknown as { default?: PdfWriter } & PdfWriter;
  return module.default ?? module;
}

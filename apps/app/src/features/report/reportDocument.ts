import type { CustomerReport } from '@jumper/contract';
import { sectionsOf, type ReportSection } from './customerReport';

/** A picture with its line; the address holds the whole of it. */
export interface ReportPhoto {
  address: string;
  line: string;
}
type Node = Record<string, unknown>;

const INK = '#1C2528',
  GREY = '#566167',
  TONE = { pass: '#23715A', fail: '#A3271B', unclear: '#8A5D06', open: '#A3271B' } as const;

/** The report as a document for the PDF writer: A4, real text, the chart as vectors, fonts embedded. */
export function reportDocument(view: CustomerReport, chart: string | null, photos: ReportPhoto[] = []): Node {
  const part = (title: string, ...content: (Node | string)[]): Node[] =>
    content.length ? [{ text: title, style: 'part' }, ...content.map((c) => (typeof c === 'string' ? { text: c } : c))] : [];
  const section = ({ title, lines, tone }: ReportSection): Node[] =>
    part(title, ...lines.map((text) => (tone ? { text, color: TONE[tone], bold: tone !== 'open' } : text)));
  const left = view.work.length > 0,
    { before, after } = sectionsOf(view);
  return {
    pageSize: 'A4',
    pageMargins: [40, 34, 40, 40],
    info: { title: `${view.title}, ${view.site}`, author: view.company },
    defaultStyle: { font: 'Barlow', fontSize: 10, color: INK, lineHeight: 1.15 },
    styles: { part: { bold: true, fontSize: 9.5, color: GREY, margin: [0, 7, 0, 1] } },
    footer: (page: number, pages: number) => ({
      columns: [
        { text: [view.company, view.phone, view.date].filter(Boolean).join(', ') },
        { text: `${page} of ${pages}`, alignment: 'right' },
      ],
      margin: [40, 14, 40, 0],
      fontSize: 8.5,
      color: GREY,
    }),
    content: [
      {
        columns: [
          {
            width: '*',
            stack: [
              { text: view.title, color: GREY },
              { text: view.site, bold: true, fontSize: 17 },
              { text: view.date, color: GREY },
            ],
          },
          {
            width: 'auto',
            alignment: 'right',
            stack: [
              ...(view.logo ? [{ image: view.logo, fit: [120, 44], alignment: 'right' }] : []),
              { text: view.company, bold: true },
              ...[view.person, view.address, view.phone].filter(Boolean).map((text) => ({ text, color: GREY })),
            ],
          },
        ],
      },
      { canvas: [{ type: 'line', x1: 0, y1: 4, x2: 515, y2: 4, lineWidth: 1.2, lineColor: INK }] },
      ...before.flatMap(section),
      { text: 'What it reads', style: 'part' },
      {
        layout: 'lightHorizontalLines',
        table: {
          headerRows: 1,
          widths: left ? ['*', 130, 130] : ['*', 150],
          body: [
            ['', 'Found', ...(left ? ['Left'] : [])].map((t) => ({ text: t, color: GREY })),
            ...view.rows.map((r) => [r.label, { text: r.found, bold: true }, ...(left ? [{ text: r.left ?? '', bold: true }] : [])]),
          ],
        },
      },
      ...(chart ? [{ svg: chart, width: 515, margin: [0, 10, 0, 0] }] : []),
      ...(photos.length
        ? [
            { text: 'Photos', style: 'part' },
            ...rowsOf(photos, 3).map((row) => ({
              unbreakable: true,
              columnGap: 8,
              margin: [0, 2, 0, 4],
              columns: row.map((p) => ({
                width: 166,
                stack: [
                  { image: p.address, fit: [166, 124] },
                  { text: p.line, fontSize: 8.5, color: GREY },
                ],
              })),
            })),
          ]
        : []),
      ...after.flatMap(section),
    ],
  };
}

const rowsOf = <T>(items: T[], perRow: number): T[][] =>
  items.length === 0 ? [] : [items.slice(0, perRow), ...rowsOf(items.slice(perRow), perRow)];

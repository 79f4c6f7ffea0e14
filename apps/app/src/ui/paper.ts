/** Marks for the print style sheet: what is left out on paper, and what flows over its pages. `dataSet` is the web's, and not in React
 *  Native's types. */
export const offPaper = { dataSet: { print: 'no' } } as object;
export const flowsOnPaper = { dataSet: { printFlow: 'yes' } } as object;

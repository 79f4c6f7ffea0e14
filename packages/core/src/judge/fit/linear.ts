/** Cholesky factor (lower, row-major n × n) of a symmetric positive matrix; null if it is not positive. */
export function cholesky(matrix: Float64Array, n: number): Float64Array | null {
  const l = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i * n + j]!;
      for (let k = 0; k < j; k++) sum -= l[i * n + k]! * l[j * n + k]!;
      if (i === j) {
        if (!(sum > 0)) return null;
        l[i * n + i] = Math.sqrt(sum);
      } else l[i * n + j] = sum / l[j * n + j]!;
    }
  return l;
}

/** Solves L x = b in place. */
export function forwardSolve(l: Float64Array, b: Float64Array, n: number): void {
  for (let i = 0; i < n; i++) {
    let sum = b[i]!;
    for (let k = 0; k < i; k++) sum -= l[i * n + k]! * b[k]!;
    b[i] = sum / l[i * n + i]!;
  }
}

/** Solves Lᵀ x = b in place. */
export function backSolve(l: Float64Array, b: Float64Array, n: number): void {
  for (let i = n - 1; i >= 0; i--) {
    let sum = b[i]!;
    for (let k = i + 1; k < n; k++) sum -= l[k * n + i]! * b[k]!;
    b[i] = sum / l[i * n + i]!;
  }
}

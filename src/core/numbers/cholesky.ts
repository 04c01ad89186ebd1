/**
 * The lower triangle L of a symmetric positive definite matrix, with L Lᵀ the matrix; row after row in one array.
 * @param matrix size × size, of which the lower triangle is read
 * @throws RangeError where it is not positive definite
 * @example [...cholesky(Float64Array.of(4, 2, 2, 5), 2)] // [2, 0, 1, 2]
 */
export function cholesky(matrix: Float64Array, size: number): Float64Array {
  const lower = new Float64Array(size * size);
  for (let i = 0; i < size; i++) {
    const row = i * size;
    for (let j = 0; j <= i; j++) {
      const other = j * size;
      let sum = matrix[row + j]!;
      for (let k = 0; k < j; k++) sum -= lower[row + k]! * lower[other + k]!;
      if (i === j) {
        if (!(sum > 0)) throw new RangeError("the matrix is not positive definite");
        lower[row + i] = Math.sqrt(sum);
      } else lower[row + j] = sum / lower[other + j]!;
    }
  }
  return lower;
}

/**
 * Solves L x = b in place.
 * @example [...forward(Float64Array.of(2, 0, 1, 2), 2, Float64Array.of(4, 6))] // [2, 2]
 */
export function forward(lower: Float64Array, size: number, b: Float64Array): Float64Array {
  for (let i = 0; i < size; i++) {
    let sum = b[i]!;
    for (let k = 0; k < i; k++) sum -= lower[i * size + k]! * b[k]!;
    b[i] = sum / lower[i * size + i]!;
  }
  return b;
}

/**
 * Solves Lᵀ x = b in place.
 * @example [...backward(Float64Array.of(2, 0, 1, 2), 2, Float64Array.of(4, 4))] // [1, 2]
 */
export function backward(lower: Float64Array, size: number, b: Float64Array): Float64Array {
  for (let i = size - 1; i >= 0; i--) {
    const x = b[i]! / lower[i * size + i]!;
    b[i] = x;
    for (let k = 0; k < i; k++) b[k]! -= lower[i * size + k]! * x;
  }
  return b;
}

/** The logarithm of the determinant of the matrix behind a triangle. @example logDeterminant(Float64Array.of(2, 0, 1, 2), 2) // 2.7726 */
export function logDeterminant(lower: Float64Array, size: number): number {
  let sum = 0;
  for (let i = 0; i < size; i++) sum += Math.log(lower[i * size + i]!);
  return 2 * sum;
}

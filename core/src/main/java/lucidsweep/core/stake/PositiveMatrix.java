package lucidsweep.core.stake;

/** Solves equations of a symmetric positive definite matrix, by Cholesky's decomposition. */
final class PositiveMatrix {

    private PositiveMatrix() {}

    /** The x of A·x = b. */
    static double[] solve(double[][] matrix, double[] right) {
        return solved(decomposed(matrix), right);
    }

    /** The inverse, column by column. */
    static double[][] inverse(double[][] matrix) {
        double[][] lower = decomposed(matrix);
        double[][] inverse = new double[matrix.length][];
        for (int i = 0; i < matrix.length; i++) {
            double[] unit = new double[matrix.length];
            unit[i] = 1;
            inverse[i] = solved(lower, unit);
        }
        return inverse;
    }

    private static double[][] decomposed(double[][] matrix) {
        int n = matrix.length;
        double[][] lower = new double[n][n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j <= i; j++) {
                double sum = matrix[i][j];
                for (int k = 0; k < j; k++) sum -= lower[i][k] * lower[j][k];
                if (i != j) {
                    lower[i][j] = sum / lower[j][j];
                    continue;
                }
                if (!(sum > 0)) throw new IllegalArgumentException("the matrix is not positive definite at " + i);
                lower[i][i] = Math.sqrt(sum);
            }
        }
        return lower;
    }

    private static double[] solved(double[][] lower, double[] right) {
        int n = lower.length;
        double[] x = right.clone();
        for (int i = 0; i < n; i++) {
            for (int k = 0; k < i; k++) x[i] -= lower[i][k] * x[k];
            x[i] /= lower[i][i];
        }
        for (int i = n - 1; i >= 0; i--) {
            for (int k = i + 1; k < n; k++) x[i] -= lower[k][i] * x[k];
            x[i] /= lower[i][i];
        }
        return x;
    }
}

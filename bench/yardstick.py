"""SciPy's conjugate gradients with Jacobi on a matrix that the benchmark wrote; prints seconds and iterations."""
import sys
import time

import numpy as np
from scipy.sparse import csr_matrix, diags
from scipy.sparse.linalg import LinearOperator, cg

name = sys.argv[1]
start, column = (np.fromfile(f"{name}.{part}", dtype="<i4") for part in ("start", "column"))
coupling, diagonal, b = (np.fromfile(f"{name}.{part}", dtype="<f8") for part in ("coupling", "diagonal", "b"))
matrix = (diags(diagonal) - csr_matrix((coupling, column, start), shape=(diagonal.size, diagonal.size))).tocsr()
began = time.perf_counter()
jacobi = LinearOperator(matrix.shape, matvec=lambda x: x / diagonal)
count = 0


def step(_):
    global count
    count += 1


x, info = cg(matrix, b, tol=1e-8, maxiter=30000, M=jacobi, callback=step)
print(time.perf_counter() - began, count, np.linalg.norm(b - matrix @ x) / np.linalg.norm(b))

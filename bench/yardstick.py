"""Compiled solvers on a matrix that the benchmark wrote, to the same relative residual: SciPy's conjugate gradients with
Jacobi, and BoomerAMG-CG of PETSc. Prints seconds and iterations of each."""
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
print(time.perf_counter() - began, count)

from petsc4py import PETSc  # after the first clock: loading it takes a while

a = PETSc.Mat().createAIJ(size=matrix.shape, csr=(matrix.indptr, matrix.indices, matrix.data))
rhs, solution = a.createVecRight(), a.createVecRight()
rhs.setArray(b)
began = time.perf_counter()
ksp = PETSc.KSP().create()
ksp.setOperators(a)
ksp.setType("cg")
ksp.setNormType(PETSc.KSP.NormType.UNPRECONDITIONED)
ksp.getPC().setType("hypre")
ksp.getPC().setHYPREType("boomeramg")
ksp.setTolerances(rtol=1e-8, max_it=1000)
ksp.solve(rhs, solution)
print(time.perf_counter() - began, ksp.getIterationNumber())

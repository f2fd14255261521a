#!/usr/bin/env bash
# Flow: seconds per grid and a set of different enclosures. Before that iterations and time per cell of the linear solver, as ratios to SciPy's Jacobi-CG and a compiled algebraic multigrid on the same matrices, and growth with size.
set -euo pipefail
cd "$(dirname "$0")/.."
# shellcheck disable=SC2086,SC2163
export PHP_INI_SCAN_DIR=":$PWD/etc/php" $FOEHN_SOLVER_ENV
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
python=/usr/bin/python3
export PETSC_DIR=/usr/lib/petscdir/petsc3.18/x86_64-linux-gnu-real OMP_NUM_THREADS=1
$python -c 'import scipy, petsc4py' 2>/dev/null || { echo 'Installing python3-scipy and python3-petsc4py for the yardsticks'; apt-get -o DPkg::Lock::Timeout=400 install -y -qq --no-install-recommends python3-scipy python3-petsc4py >/dev/null; }

field() { sed -E "s/.*\"$1\":\"?([^,\"}]+).*/\1/" <<<"$2"; }
row() {
    local out=$1 unknowns seconds
    unknowns=$(field unknowns "$out") seconds=$(field seconds "$out")
    printf '%-11s %9d %6d %8.2f %8.2f %8.0f' "$(field model "$out")" "$unknowns" "$(field iterations "$out")" "$seconds" "$(awk "BEGIN{print 1e6*$seconds/$unknowns}")" "$(field megabytes "$out")"
}

printf '%-11s %9s %6s %8s %8s %8s %10s %8s %7s %7s\n' model unknowns iter. s us/cell MB 'SciPy it.' 'SciPy/us' 'AMG it.' AMG/us
for model in cube board stack 'thin board' net; do
    cells=200000; [ "$model" = net ] && cells=28000
    out=$(php bench/conduction.php "$model" "$cells" "$work/m")
    { read -r seconds iterations; read -r amgSeconds amgIterations; } < <($python bench/yardstick.py "$work/m")
    row "$out"
    own=$(field seconds "$out")
    printf ' %10d %8.1f %7d %7.1f\n' "$iterations" "$(awk "BEGIN{print $seconds/$own}")" "$amgIterations" "$(awk "BEGIN{print $amgSeconds/$own}")"
done
echo
echo 'Growth on the board:'
for cells in 50000 200000 1000000; do row "$(php bench/conduction.php board "$cells")"; echo; done
echo
echo 'Heat in the course of time:'
php bench/time.php
echo
echo 'Flow and heat on one box, sealed and ventilated (aims: 3, 8, 25, 80 s at 10, 30, 100, 250 thousand cells):'
php bench/enclosures.php times
echo
echo 'Twelve enclosures, on which the thresholds were set:'
php bench/enclosures.php
echo
echo 'Six kept apart:'
php bench/enclosures.php apart
echo
echo 'Until every limit of an example is within 10 % of its answer on the finest grid (aims: fan 10 s, baffle 10 s, gateway 4 s, sink 5 s, ventilated 8 s; first picture 1.5 s):'
php bench/seconds.php
echo
echo 'Currents in the copper of four layers (aims: 10 microseconds a pixel of copper, 25 iterations):'
php -d memory_limit=3G bench/copper.php

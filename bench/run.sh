#!/usr/bin/env bash
# Iterations and time per cell of the linear solver, as ratios to SciPy's Jacobi-CG on the same matrices, and growth with size.
set -euo pipefail
cd "$(dirname "$0")/.."
export PHP_INI_SCAN_DIR=":$PWD/etc/php"
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
python=/usr/bin/python3
$python -c 'import scipy' 2>/dev/null || { echo 'Installing python3-scipy for the yardstick'; apt-get -o DPkg::Lock::Timeout=400 install -y -qq --no-install-recommends python3-scipy >/dev/null; }

field() { sed -E "s/.*\"$1\":\"?([^,\"}]+).*/\1/" <<<"$2"; }
row() {
    local out=$1 unknowns seconds
    unknowns=$(field unknowns "$out") seconds=$(field seconds "$out")
    printf '%-11s %9d %6d %8.2f %8.2f %8.0f' "$(field model "$out")" "$unknowns" "$(field iterations "$out")" "$seconds" "$(awk "BEGIN{print 1e6*$seconds/$unknowns}")" "$(field megabytes "$out")"
}

printf '%-11s %9s %6s %8s %8s %8s %10s %8s\n' model unknowns iter. s us/cell MB 'SciPy it.' 'SciPy/us'
for model in cube board stack 'thin board' net; do
    cells=200000; [ "$model" = net ] && cells=28000
    out=$(php bench/conduction.php "$model" "$cells" "$work/m")
    read -r seconds iterations _ < <($python bench/yardstick.py "$work/m")
    row "$out"
    printf ' %10d %8.1f\n' "$iterations" "$(awk "BEGIN{print $seconds/$(field seconds "$out")}")"
done
echo
echo 'Growth on the board:'
for cells in 50000 200000 1000000; do row "$(php bench/conduction.php board "$cells")"; echo; done

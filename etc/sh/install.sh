# What must be on the machine, and what is built from the checkout.

missing_packages() {
    local want=() modules pair
    modules=$(php -m 2>/dev/null | tr '[:upper:]' '[:lower:]' || true)
    for pair in pdo_mysql:mysql mbstring:mbstring dom:xml intl:intl curl:curl zip:zip bcmath:bcmath; do
        grep -qx "${pair%%:*}" <<<"$modules" || want+=("php8.2-${pair##*:}")
    done
    grep -qx 'zend opcache' <<<"$modules" || want+=(php8.2-opcache)
    command -v php >/dev/null || want+=(php8.2-cli)
    command -v php-fpm8.2 >/dev/null || want+=(php8.2-fpm)
    command -v nginx >/dev/null || [ -x /usr/sbin/nginx ] || want+=(nginx-light)
    command -v mariadbd >/dev/null || [ -x /usr/sbin/mariadbd ] || want+=(mariadb-server-core)
    command -v mariadb >/dev/null || want+=(mariadb-client-core)
    command -v composer >/dev/null || want+=(composer)
    command -v node >/dev/null || want+=(nodejs npm)
    [ "${1:-}" = test ] && { [ -x /usr/bin/chromium ] || want+=(chromium); }
    # Reads back in tests what is exported.
    [ "${1:-}" = test ] && { /usr/bin/python3 -c 'import vtkmodules.vtkIOXML' 2>/dev/null || want+=(python3-vtk9); }
    # The queue of workers on several hosts.
    case "${1:-}" in test | redis) command -v redis-cli >/dev/null || want+=(redis-tools) ;; esac
    printf '%s\n' "${want[@]:-}" | sed '/^$/d' | sort -u
}

install_packages() {
    local want sudo=()
    mapfile -t want < <(missing_packages "${1:-}")
    [ "${#want[@]}" -eq 0 ] && return
    say "Installing Debian packages: ${want[*]}"
    if [ "$(id -u)" -ne 0 ]; then
        command -v sudo >/dev/null || fail "the packages ${want[*]} are missing and only root may install them; run: apt-get install ${want[*]}"
        sudo=(sudo)
    fi
    # All php8.2 packages move to one patch level together.
    mapfile -t -O "${#want[@]}" want < <(dpkg-query -W -f '${db:Status-Abbrev} ${Package}\n' 'php8.2-*' 2>/dev/null | sed -n 's/^ii *//p')
    "${sudo[@]}" apt-get -o DPkg::Lock::Timeout=400 update -qq
    "${sudo[@]}" env DEBIAN_FRONTEND=noninteractive apt-get -o DPkg::Lock::Timeout=400 install -y -qq --no-install-recommends "${want[@]}" >/dev/null
}

install_libraries() {
    if [ ! -f vendor/composer/installed.json ] || [ composer.json -nt vendor/composer/installed.json ]; then
        say 'Installing PHP libraries'
        composer install --quiet --no-progress
        touch vendor/composer/installed.json
    fi
    if [ ! -f node_modules/.package-lock.json ] || [ package.json -nt node_modules/.package-lock.json ]; then
        say 'Installing JavaScript libraries'
        npm ci --no-audit --no-fund --loglevel=error
        touch node_modules/.package-lock.json
    fi
}

build_front_end() {
    if [ ! -f public/build/manifest.json ] || [ -n "$(find resources docs/openapi.json core/schema vite.config.ts package.json -newer public/build/manifest.json -print -quit)" ]; then
        say 'Building the interface'
        npm run --silent build
    fi
}

# Sourced by the commands of bin/: what has to be there before any TypeScript can run.
set -euo pipefail
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
cd "$root"
export NEXT_TELEMETRY_DISABLED=1 NEXT_IGNORE_INCORRECT_LOCKFILE=1

die() { printf '%s\n' "$*" >&2; exit 1; }

need_node() {
  command -v node >/dev/null || die 'Node.js 20.19 or newer is needed and was not found.'
  node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 20 || (a === 20 && b >= 19) ? 0 : 1)' ||
    die "Node.js 20.19 or newer is needed; this is $(node --version)."
}

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"
  elif command -v sudo >/dev/null && sudo -n true 2>/dev/null; then sudo -n "$@"
  else die "Missing Debian package. As root, run: apt-get install -y ${*: -1}"; fi
}

apt_updated=
install_package() {
  printf 'Installing the Debian package %s …\n' "$1" >&2
  if [ -z "$apt_updated" ]; then as_root env DEBIAN_FRONTEND=noninteractive apt-get update -qq >&2; apt_updated=1; fi
  as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$1" >&2
}

need_postgres() {
  [ -n "${DATABASE_URL:-}" ] && return
  ls /usr/lib/postgresql/*/bin/initdb >/dev/null 2>&1 || command -v initdb >/dev/null || install_package postgresql
}

need_chromium() { [ -x /usr/bin/chromium ] || install_package chromium; }

# Debian's own client and agent, to hold ours against.
need_snmp() {
  command -v snmpwalk >/dev/null || install_package snmp
  [ -x /usr/sbin/snmpd ] || install_package snmpd
}

# Programs of others that our files are held against: archives, PDF.
need_readers() {
  command -v unzip >/dev/null || install_package unzip
  command -v pdftotext >/dev/null || install_package poppler-utils
}

need_modules() {
  local sum; sum=$(sha256sum package-lock.json | cut -d' ' -f1)
  [ "$(cat node_modules/.installed 2>/dev/null || true)" = "$sum" ] && return
  printf 'Installing packages …\n' >&2
  npm ci --no-audit --no-fund --loglevel=error >&2
  printf '%s' "$sum" > node_modules/.installed
}

run_ts() { exec node --import tsx "$@"; }

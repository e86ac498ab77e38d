#!/usr/bin/env bash
# keep.sh backup|restore FILE: with the project's own database, running or not, or the one in DATABASE_URL.
set -uo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.." || exit 1
DATA="$PWD/.data"
mkdir -p "$DATA"
. scripts/common.sh

need_node
install_packages
DB_PID=''
trap stop_database EXIT
[ -n "${DATABASE_URL:-}" ] || start_database database "${DB_PORT:-33306}"
npx tsx server/keep.ts "$@"

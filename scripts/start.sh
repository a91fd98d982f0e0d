#!/usr/bin/env bash
# Builds, starts a PostgreSQL and serves the demo; builds and serves anew with each change of a file. Ctrl-C stops all of it.
set -euo pipefail
cd "$(dirname "$0")/.."
. scripts/common.sh

[ -n "${DATABASE_URL:-}" ] || ensure_postgres
ensure_node_modules
home=""
running=()
clean_up() {
  trap - EXIT INT TERM
  if [ "${#running[@]}" -gt 0 ]; then
    kill "${running[@]}" 2>/dev/null || true
    wait "${running[@]}" 2>/dev/null || true
  fi
  if [ -n "$home" ]; then stop_cluster "$home"; fi
}
trap clean_up EXIT
trap 'exit 130' INT
trap 'exit 143' TERM
if [ -z "${DATABASE_URL:-}" ]; then
  home="$(cluster_home watch)"
  stop_cluster "$home" # left over from a machine that went down
  start_cluster "$home"
fi
say "Building"
npm run --silent build
node server/dist/cli/load.js demo-data/catalogue.json demo-data/jobs.json demo-data/specimens.json demo-data/builds.json demo-data/suppliers.json
export PORT="${PORT:-$(free_port)}" HOST="${HOST:-127.0.0.1}" LOG_LEVEL="${LOG_LEVEL:-warn}" SIMULATED="${SIMULATED:-1}"
node_modules/.bin/tsc -p core/tsconfig.lib.json --watch --preserveWatchOutput &
running+=($!)
# The server takes the core in one piece.
node core/scripts/forNode.mjs --watch &
running+=($!)
node_modules/.bin/tsc -p server/tsconfig.json --watch --preserveWatchOutput &
running+=($!)
node_modules/.bin/ng build web --watch --progress=false &
running+=($!)
say "DATABASE_URL=$DATABASE_URL"
say "Which Bore will be at http://$HOST:$PORT   (Ctrl-C stops it)"
node --watch --watch-preserve-output server/dist/main.js &
running+=($!)
wait "${running[@]}"

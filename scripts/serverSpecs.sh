#!/usr/bin/env bash
# Runs these spec files of the server, as they are built, over a PostgreSQL cluster of this run's own.
set -euo pipefail
cd "$(dirname "$0")/.."
. scripts/common.sh
home="$(cluster_home "specs-$$")"
trap 'stop_cluster "$home"; rm -rf "$home"' EXIT
start_test_cluster "$home"
"$(postgres_bin)/psql" -q "$DATABASE_URL" -c 'CREATE DATABASE server_tests'
DATABASE_URL="${DATABASE_URL%/*}/server_tests" npx jasmine --config=server/jasmine.json "$@"

#!/usr/bin/env bash
# Builds what changed and starts Zoarium with its demo tanks on 127.0.0.1 (PORT, default 4173).
set -euo pipefail
cd "$(dirname "$0")"
. scripts/common.sh
need_node
install_packages
build_web
ZOARIUM_DEMO=1 exec npx tsx server/main.ts

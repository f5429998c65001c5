#!/usr/bin/env bash
# One function of ops/ by itself, as the account that calls it: house-do.sh FUNCTION [ARGUMENTS]
set -euo pipefail
umask 077
home="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
cd "$home"
for part in say account packages build services database house backup along lan cluster; do
    # shellcheck source=/dev/null
    source "ops/$part.sh"
done
"$@"

#!/usr/bin/env bash
# How long nobody is answered when a machine goes: bench/cluster.sh [PHONES, 200 by default]
# A cluster of its own is started on loopback. While so many phones send checks, the database that is written to is killed and brought
# back three times, then an installation and Redis, then two databases, then all three. Afterwards it is looked whether every check that was answered is on every database, once.
set -euo pipefail
home="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
cd "$home"
umask 077
export COMPADRE_CLUSTER=cluster-bench
for part in say account packages build services database house backup cluster; do
    # shellcheck source=/dev/null
    source "ops/$part.sh"
done
packages_need "${debian_run[@]}" "${cluster_packages[@]}"
[ "${COMPADRE_BUILT:-no}" = yes ] || build_all
if [ "$(id -u)" = 0 ]; then
    account_prepare
    COMPADRE_BUILT=yes as_account bash "$home/bench/cluster.sh" "$@"
    exit
fi
work="$(mktemp -d)"
finish() { [ $? -eq 0 ] || tail -n 3 "$(cluster_dir)"/app*/storage/logs/*.log >&2 2>/dev/null || true; cluster_stop; rm -rf "$(cluster_dir)" "$work"; }
trap finish EXIT
cluster_stop 2>/dev/null || true
rm -rf "$(cluster_dir)"
cluster_up >/dev/null
address="http://127.0.0.1:$(cluster_port web)"
mkfifo "$work/asked"
node tests/Cluster/phones.mjs "${1:-200}" "$(cat "$(cluster_dir app1)/storage/app/demo-password")" "$address" "$address" <"$work/asked" >"$work/said" &
exec 5>"$work/asked"

answered() { grep -o '[0-9a-f]\{8\}-[0-9a-f-]\{27\}' "$work/said" | wc -l || true; }
# acknowledged N: waits until N checks more were answered.
acknowledged() {
    local wanted
    wanted=$(($(answered) + $1))
    while [ "$(answered)" -lt "$wanted" ]; do sleep 0.2; done
}
# measured NAME COMMAND... : the longest time without an answer from the command on.
measured() {
    local name="$1" begun
    shift
    echo reset >&5
    begun=$SECONDS
    "$@" >>"$work/done" 2>&1
    acknowledged 300
    echo gap >&5
    sleep 1
    printf '%-52s %6.1f s without an answer; after %3d s all is as it was\n' "$name" "$(grep -o '"gap":[0-9.]*' "$work/said" | tail -n 1 | cut -d : -f 2)" $((SECONDS - begun))
}
kill_all() { for node in "$@"; do cluster_kill "$node"; done; }
kill_writer() { cluster_kill "$(cluster_writer)"; }

acknowledged 2000
measured "nothing" true
for round in 1 2 3; do
    measured "the database that is written to is killed ($round)" kill_writer
    measured "  it is brought back" cluster_heal
done
measured "an installation is killed" cluster_kill app1
measured "Redis is killed" cluster_kill redis
measured "  both are brought back" cluster_heal
both() { kill_all db2 db3; sleep 5; cluster_heal; }
all() { kill_all db1 db2 db3; cluster_heal; }
measured "two databases are killed, and brought back" both
measured "all three are killed, and brought back" all
echo end >&5
wait
tail -n 1 "$work/said"
grep -o '[0-9a-f]\{8\}-[0-9a-f-]\{27\}' "$work/said" | sort -u >"$work/answered"
for node in "${cluster_databases[@]}"; do
    cluster_sql "$node" compadre_cluster -e 'set session wsrep_sync_wait = 15; select id from check_events union select id from learners' | sort -u >"$work/there"
    printf '%s: %d answered are not there\n' "$node" "$(comm -23 "$work/answered" "$work/there" | wc -l)"
done

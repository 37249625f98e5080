# PostgreSQL servers with standbys, of Debian's package, in a folder of their own; for scripts that have read service.sh.
cluster=$(mktemp -d)
chmod 755 "$cluster"
programs=$(ls -d /usr/lib/postgresql/*/bin | tail -1)
as_postgres() { if [ "$(id -u)" = 0 ]; then runuser -u postgres -- "$@"; else "$@"; fi; }
[ "$(id -u)" != 0 ] || chown postgres "$cluster"
trap 'for port in $(ls "$cluster"); do as_postgres "$programs/pg_ctl" -s -D "$cluster/$port" -m immediate stop 2>/dev/null || true; done
      kill $(cat "$work"/*.pid) 2>/dev/null || true; rm -rf "$work" "$cluster"' EXIT

serve() { # PORT: starts the server in the folder of this name
  as_postgres "$programs/pg_ctl" -s -w -D "$cluster/$1" -l "$cluster/$1/log" -o "-p $1 -k $cluster/$1" start
}
primary() { # PORT: a new server with a login and a database, both named cellar
  as_postgres "$programs/initdb" -D "$cluster/$1" -A trust -U postgres -E UTF8 --locale=C.UTF-8 >/dev/null
  printf "%s\n" "listen_addresses = 'localhost'" "max_wal_senders = 10" "wal_keep_size = '1GB'" "max_connections = 200" \
    | as_postgres tee -a "$cluster/$1/postgresql.conf" >/dev/null
  serve "$1"
  as_postgres psql -q -h localhost -p "$1" -U postgres -c "CREATE ROLE cellar LOGIN PASSWORD 'cellar'" -c "CREATE DATABASE cellar OWNER cellar"
}
standby() { # PORT PRIMARY
  as_postgres "$programs/pg_basebackup" -h localhost -p "$2" -U postgres -D "$cluster/$1" -R -X stream -c fast
  serve "$1"
}
on() { # PORT STATEMENT...: as the superuser
  local port=$1 statements=(); shift
  for statement in "$@"; do statements+=(-c "$statement"); done
  as_postgres psql -qAt -h localhost -p "$port" -U postgres "${statements[@]}"
}
psql_on() { # PORT: as the owner of the database, from standard input
  as_postgres psql -q -v ON_ERROR_STOP=1 -h localhost -p "$1" -U cellar cellar
}
wait_for_standbys() { # PORT COUNT
  until [ "$(on "$1" "SELECT count(*) FROM pg_stat_replication WHERE state = 'streaming'")" = "$2" ]; do sleep 0.2; done
}
promotion() { # PORT: the command that makes a standby the primary
  echo "psql -qAt -h localhost -p $1 -U postgres -c 'SELECT pg_promote()'"
}

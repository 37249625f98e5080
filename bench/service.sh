# For measurements of the generated cellar service: makes it, gives it a database, starts it, asks it.
work=$(mktemp -d)
trap 'kill $(cat "$work"/*.pid) 2>/dev/null; [ -z "${scratch:-}" ] || kill $scratch; rm -rf "$work"' EXIT

prepare() { # ENGINE [NAME...]: makes the service, and a database for each name, on H2 one of its own
  engine=$1; shift
  "$home/vinekit" demo --engine "$engine" --dir "$work/service" --quiet >/dev/null
  libraries=$home/cli/target/vinekit-cli-0.1.0-SNAPSHOT.jar:$(cat "$home/cli/target/classpath")
  resources=$work/service/src/main/resources
  if [ "$engine" = h2 ]; then
    cat "$resources/db/schema.sql" "$resources/db/seed.sql" > "$work/all.sql"
    for name in "${@:-generated}"; do
      java -cp "$libraries" org.h2.tools.RunScript -url "jdbc:h2:$work/$name" -user sa -script "$work/all.sql"
    done
  else
    ${pin:-} java -cp "$libraries" "$home/bench/Scratch.java" "$engine" "$resources/db/schema.sql" "$resources/db/seed.sql" > "$work/url" &
    scratch=$!
    while [ ! -s "$work/url" ]; do sleep 0.2; done
  fi
}
with_features() { # FEATURE...: makes the service again with these
  local features; features=$(printf '%s: true, ' "$@")
  cat > "$work/service/vinekit.yaml" <<Y
source: {script: src/main/resources/db/schema.sql, engine: $engine}
project: {package: com.example.cellar}
features: { ${features%, } }
Y
  "$home/vinekit" generate --dir "$work/service" --quiet >/dev/null
  (cd "$work/service" && mvn -q -B compile)
}
database() { # NAME: sets the variables that say where its database is
  export DB_USER=sa DB_PASSWORD= DB_URL="jdbc:h2:$work/$1"
  if [ "$engine" != h2 ]; then
    { read -r DB_URL; read -r DB_USER; read -r DB_PASSWORD; } < "$work/url"
  fi
}
run_sql() { # FILE: on the database of the generated service
  database generated
  java -cp "$libraries" org.h2.tools.RunScript -url "$DB_URL" -user "$DB_USER" -password "$DB_PASSWORD" -script "$1"
}
start() { # NAME PORT
  database "$1"
  export HTTP_PORT=$2 ACCESS_LOG=${ACCESS_LOG:-OFF}
  if [ "$1" = generated ]; then
    ${pin:-} java ${jvm:-} -cp "$work/service/target/classes:$libraries" com.example.cellar.support.Main >"$work/$1.log" 2>&1 &
  else
    java ${jvm:-} -cp "$work/twin:$libraries" -Dlogback.configurationFile="$resources/logback.xml" HttpBench "$1" >"$work/$1.log" 2>&1 &
  fi
  echo $! > "$work/$1.pid"
}
answered() { # PORT: milliseconds until the first answer
  local begin; begin=$(date +%s%N)
  until curl -sf "localhost:$1/api/vessel-transfers/1" >/dev/null; do sleep 0.01; done
  echo $(( ($(date +%s%N) - begin) / 1000000 ))
}
loadbench() { # REQUESTS_A_SECOND SECONDS: of the service at port 18181
  ${pin_load:-} java -XX:+UseSerialGC -Xmx1g -cp "$libraries" "$home/bench/LoadBench.java" http://localhost:18181/api "$1" "$2" ${weight:-}
}
stolen() { # what other machines of the host have had of the processors that this one would have used, in hundredths of a second
  awk '/^cpu / {print $9}' /proc/stat
}
quietly() { # COMMAND...: what it says; again, at most five times, where more than a twentieth of a processor was stolen meanwhile
  local result try before begin part
  for try in 1 2 3 4 5; do
    before=$(stolen) begin=$(date +%s%N)
    result=$("$@")
    part=$(( ($(stolen) - before) * 1000000000 / ($(date +%s%N) - begin) ))
    [ "$part" -gt 5 ] || break
    echo "$part % of a processor was stolen meanwhile: $result" >&2
  done
  echo "$result"
}
peak() { # the most good answers a second, found by asking for more and more
  local most=0 rate result good
  for rate in ${rates:-200 400 700 1000 1400 1700 2000 2500 3000 3500}; do
    result=$(quietly loadbench $rate 10); good=$(echo "$result" | sed 's/.*good \([0-9]*\) a second.*/\1/')
    echo "$rate a second: $result" >&2
    [ "$good" -le "$most" ] || most=$good
    [ $((good * 100)) -ge $((rate * 85)) ] || break
  done
  echo "$most"
}
memory() { # of the service after a collection, in KiB
  jcmd "$(cat "$work/generated.pid")" GC.run >/dev/null
  jcmd "$(cat "$work/generated.pid")" GC.heap_info | grep -E 'heap|generation' | grep -o 'used [0-9]*K' | tr -dc '0-9\n' | awk '{sum += $1} END {print sum}'
}
load() { # PORT PATH SECONDS [OPTION...]: requests per second
  local url="http://localhost:$1$2" time=$3; shift 3
  wrk -t1 -c16 -d"${time}s" "$@" "$url" | awk '/Non-2xx/ {print "errors" > "/dev/stderr"} /Requests\/sec/ {print $2}'
}

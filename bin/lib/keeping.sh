# Shared by bin/backup and bin/restore; sourced after house.sh with an instance chosen.
PG_BIN=/usr/lib/postgresql/15/bin
STARTED_HERE=no

# The database, running: the house's own where it is up, else begun for the time of the command.
with_database() {
    . "$HOME_DIR/ports"
    "$PG_BIN/pg_isready" -q -h 127.0.0.1 -p "$DB_PORT" && return 0
    install -d -m 0755 "$SOCKETS"
    [ "$(id -u)" = 0 ] && chown "$DB_USER" "$SOCKETS"
    (cd / && as "$DB_USER" "$PG_BIN/pg_ctl" -D "$HOME_DIR/cluster" -w -t 60 -l /dev/null start) > /dev/null \
        || die "the database does not start (cluster $HOME_DIR/cluster)"
    STARTED_HERE=yes
    trap end_database EXIT
}

end_database() {
    [ "$STARTED_HERE" = yes ] \
        && (cd / && as "$DB_USER" "$PG_BIN/pg_ctl" -D "$HOME_DIR/cluster" -w -m fast stop) > /dev/null
    STARTED_HERE=no
}

# in_database PROGRAM ARGUMENT...: as the cluster's superuser, whom row-level security does not hold.
in_database() { (cd / && as "$DB_USER" "$PG_BIN/$1" -h "$SOCKETS" -p "$DB_PORT" -U postgres "${@:2}"); }

# Shared by bin/start, bin/stop, bin/test and bin/switch: where things live, what must be installed, how it is laid out.
# Sourced with ROOT set to the checkout.
set -euo pipefail

say() { printf '%s\n' "$*"; }
die() { printf 'roster: %s\n' "$*" >&2; exit 1; }

if [ "$(id -u)" = 0 ]; then
    WEB_USER=www-data DB_USER=postgres
    as() { local user=$1; shift; setpriv --reuid "$user" --regid "$user" --init-groups -- "$@"; }
else
    WEB_USER=$(id -un) DB_USER=$WEB_USER
    as() { shift; "$@"; }
fi
HOUSE_ID=$(printf '%s' "$ROOT" | sha256sum | cut -c1-12)
export COMPOSER_ALLOW_SUPERUSER=1 COMPOSER_NO_INTERACTION=1
export NO_UPDATE_NOTIFIER=1

# Debian packages, each with something that shows it is there.
need() { # need PURPOSE PACKAGE=FILE ...
    local purpose=$1 missing=() pair
    shift
    for pair in "$@"; do
        compgen -G "${pair#*=}" > /dev/null || missing+=("${pair%%=*}")
    done
    [ ${#missing[@]} = 0 ] && return 0
    if [ "$(id -u)" != 0 ]; then
        die "to $purpose, these Debian packages are missing: ${missing[*]}
As root, run:  apt-get install --no-install-recommends ${missing[*]}
and then this command again; it goes on from here."
    fi
    say "Installing ${missing[*]} ..."
    { apt-get update -qq \
        && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}"
    } > "$LOGS/apt.log" 2>&1 \
        || { tail -20 "$LOGS/apt.log" >&2; die "apt-get could not install ${missing[*]} (whole log: $LOGS/apt.log)"; }
}

need_to_serve() {
    local ext=/usr/lib/php/20220829
    need "start" php8.2-cli=/usr/bin/php8.2 php8.2-intl=$ext/intl.so php8.2-mbstring=$ext/mbstring.so \
        php8.2-xml=$ext/dom.so \
        php8.2-pgsql=$ext/pdo_pgsql.so php8.2-sqlite3=$ext/pdo_sqlite.so php8.2-curl=$ext/curl.so \
        php8.2-zip=$ext/zip.so \
        php8.2-bcmath=$ext/bcmath.so php8.2-fpm=/usr/sbin/php-fpm8.2 nginx-light=/usr/sbin/nginx \
        postgresql-15=/usr/lib/postgresql/15/bin/postgres composer=/usr/*bin/composer* unzip=/usr/bin/unzip \
        espeak-ng=/usr/bin/espeak-ng sox=/usr/bin/sox libsox-fmt-base=/usr/lib/*/sox/libsox_fmt_*.so
    command -v composer > /dev/null || die "composer is not on the PATH"
    command -v npm > /dev/null || die "Node.js 20 with npm is needed and not on the PATH"
    node -e 'process.exit(+process.versions.node.split(".")[0] >= 20 ? 0 : 1)' \
        || die "Node.js 20 or newer is needed; this is $(node --version)"
}

need_to_test() {
    need "run the tests" chromium=/usr/bin/chromium chromium-driver=/usr/bin/chromedriver \
        redis-server=/usr/bin/redis-server pgbouncer=/usr/sbin/pgbouncer \
        systemd=/usr/bin/systemd-analyze logrotate=/usr/sbin/logrotate
}

# A folder inside the checkout where a server's own user can get at it; where a parent is closed to it (0700), a folder
# of the system's stands in and var/ leads there, and a copy of the code is served from there.
find_places() {
    local var="$ROOT/var"
    CLOSED=no
    if [ "$(id -u)" = 0 ] && ! { as "$WEB_USER" test -r "$ROOT/artisan" && as "$DB_USER" test -x "$ROOT"; }; then
        CLOSED=yes
        local away="/var/lib/jaunty-roster/$HOUSE_ID"
        install -d -m 0755 /var/lib/jaunty-roster "$away"
        if [ -d "$var" ] && [ ! -L "$var" ]; then
            cp -a "$var/." "$away/" && rm -rf "$var"
        fi
        ln -sfn "$away" "$var"
        SERVED="$away/served"
    else
        [ -L "$var" ] && rm "$var"
        mkdir -p "$var"
        SERVED=$ROOT
    fi
    VAR=$(readlink -f "$var")
    LOGS="$VAR/logs"
    mkdir -p "$LOGS"
}

# One instance: `house` for people, `proof` for the tests. Everything about it lives in var/NAME.
choose_instance() {
    INSTANCE=$1
    HOME_DIR="$VAR/$INSTANCE"
    if [ "$(id -u)" = 0 ]; then
        SOCKETS="/run/jaunty-$HOUSE_ID-$INSTANCE"
    else
        SOCKETS="/tmp/jaunty-$(id -u)-$HOUSE_ID-$INSTANCE"
    fi
    export ROSTER_HOME=$HOME_DIR
}

# The cluster's superuser, past row-level security: for roles, databases and benches, never for the web.
super() { (cd / && as "$DB_USER" psql -qX -v ON_ERROR_STOP=1 -h "$SOCKETS" -p "$DB_PORT" -U postgres "$@"); }

stamp_of() { cat "$@" | sha256sum | cut -c1-32; }

install_php() { # install_php FOLDER
    local dir=$1 want
    want=$(stamp_of "$dir/composer.json" "$dir/composer.pins" "$ROOT/core/composer.json")
    [ "$(cat "$dir/vendor/.roster-stamp" 2> /dev/null)" = "$want" ] && return 0
    say "Installing PHP packages in ${dir#"$ROOT"/} ..."
    local pins log="$LOGS/composer.log"
    mapfile -t pins < <(sed -E '/^\s*(#|$)/d; s/^/--with=/' "$dir/composer.pins")
    if ! (cd "$dir" && composer update --no-interaction --no-progress --no-scripts "${pins[@]}") > "$log" 2>&1; then
        say "WARNING: the pinned PHP packages could not be installed as pinned ($log); trying again without pins."
        (cd "$dir" && composer update --no-interaction --no-progress --no-scripts) >> "$log" 2>&1 \
            || { tail -20 "$log" >&2; die "composer failed (whole log: $log)"; }
    fi
    # Some archives unpack as 0600, which the web server's user cannot read.
    chmod -R a+rX "$dir/vendor"
    printf '%s' "$want" > "$dir/vendor/.roster-stamp"
}

install_node() {
    local want
    want=$(stamp_of "$ROOT/package.json" "$ROOT/package-lock.json")
    [ "$(cat "$ROOT/node_modules/.roster-stamp" 2> /dev/null)" = "$want" ] && return 0
    say "Installing front-end packages ..."
    (cd "$ROOT" && npm ci --no-progress) > "$LOGS/npm.log" 2>&1 \
        || { tail -20 "$LOGS/npm.log" >&2; die "npm failed (whole log: $LOGS/npm.log)"; }
    printf '%s' "$want" > "$ROOT/node_modules/.roster-stamp"
}

# The contract as TypeScript sees it: made wherever it is older than the contract, and kept nowhere.
contract_types() {
    local types="$ROOT/resources/js/api/generated/schema.d.ts"
    [ "$types" -nt "$ROOT/contract/openapi.yaml" ] && [ "$types" -nt "$ROOT/contract/objects.json" ] && return 0
    (cd "$ROOT" && npm run --silent types) > "$LOGS/types.log" 2>&1 \
        || { tail -30 "$LOGS/types.log" >&2; die "the contract is not read (whole log: $LOGS/types.log)"; }
}

build_front() {
    local want
    contract_types
    want=$(cd "$ROOT" && find resources contract package-lock.json vite.config.ts -type f -print0 \
        | sort -z | xargs -0 sha256sum | sha256sum | cut -c1-32)
    [ "$(cat "$ROOT/public/build/.roster-stamp" 2> /dev/null)" = "$want" ] && return 0
    say "Building the front end ..."
    (cd "$ROOT" && node_modules/.bin/vite build) > "$LOGS/vite.log" 2>&1 \
        || { tail -30 "$LOGS/vite.log" >&2; die "the front end does not build (whole log: $LOGS/vite.log)"; }
    chmod -R a+rX "$ROOT/public/build"
    printf '%s' "$want" > "$ROOT/public/build/.roster-stamp"
}

serve_copy() {
    [ "$CLOSED" = yes ] || return 0
    local to="$SERVED" stamp=vendor/.roster-stamp of
    mkdir -p "$to"
    # Another house of this checkout may be at work in it: what is there already is left alone.
    of=$(cd "$ROOT" && find . \( -path ./node_modules -o -path ./.git -o -path ./var -o -path ./vendor \
        -o -path ./core/vendor \) -prune -o -type f -printf '%P %s %T@\n' | sort | sha256sum | cut -c1-32)
    [ "$(cat "$to/.roster-served" 2> /dev/null)" = "$of" ] && cmp -s "$ROOT/$stamp" "$to/$stamp" && return 0
    find "$to" -mindepth 1 -maxdepth 1 ! -name vendor -exec rm -rf {} +
    tar -C "$ROOT" --warning=no-file-changed \
        --exclude=./node_modules --exclude=./.git --exclude=./var --exclude=./vendor --exclude=./core/vendor -cf - . \
        | tar -C "$to" -xf -
    # The packages are most of it, and change seldom.
    if ! cmp -s "$ROOT/$stamp" "$to/$stamp"; then
        rm -rf "$to/vendor"
        cp -a "$ROOT/vendor" "$to/vendor.new"
        mv "$to/vendor.new" "$to/vendor"
    fi
    chmod -R a+rX "$to"
    printf '%s' "$of" > "$to/.roster-served"
}

keep_secret() { # keep_secret NAME COMMAND...: made once, then kept
    local file="$HOME_DIR/secrets/$1"
    shift
    [ -s "$file" ] || { (umask 077; "$@" > "$file.new") && mv "$file.new" "$file"; }
    cat "$file"
}

lay_folders() {
    mkdir -p "$HOME_DIR"/{cache,run,logs,secrets,standins,storage/{app,logs,framework/{cache,sessions,views}}}
    install -d -m 0755 "$SOCKETS"
    chmod 0700 "$HOME_DIR/secrets"
    OWNER_PASSWORD=$(keep_secret owner openssl rand -hex 24)
    APP_PASSWORD=$(keep_secret app openssl rand -hex 24)
    APP_KEY="base64:$(keep_secret key openssl rand -base64 32)"
}

close_settings() { # what the application alone reads, and the folders it writes to
    mv "$HOME_DIR/app.env.new" "$HOME_DIR/app.env"
    if [ "$(id -u)" = 0 ]; then
        chgrp "$WEB_USER" "$HOME_DIR/app.env"
        chown -R "$WEB_USER:$WEB_USER" "$HOME_DIR/storage" "$HOME_DIR/standins"
        chown "$DB_USER" "$SOCKETS"
    fi
}

# The house of bin/serve: by its settings file, which has been read into SET_NAMES.
lay_out_by_settings() {
    lay_folders
    local db_host=127.0.0.1 db_password=$APP_PASSWORD owner_file=$HOME_DIR/secrets/owner
    WEB_PORT=${SET_ROSTER_LISTEN##*:}
    LISTEN=$SET_ROSTER_LISTEN
    ADDRESS=${SET_ROSTER_ADDRESS%/}
    SERVER_NAMES="_"
    HOST_PARAM='$http_host'
    WEB_CHILDREN=$SET_ROSTER_WEB_PROCESSES
    if [ -z "$SET_DB_HOST" ]; then
        php "$ROOT/bin/lib/ports.php" "$HOME_DIR/ports" 8450 DB
        # shellcheck disable=SC1091
        . "$HOME_DIR/ports"
    else
        DB_PORT=$SET_DB_PORT db_host=$SET_DB_HOST db_password=$SET_DB_PASSWORD owner_file=$SET_DB_OWNER_PASSWORD_FILE
    fi
    (
        umask 027
        {
            printf 'APP_ENV=production\nAPP_KEY=%s\n' "$APP_KEY"
            line APP_URL "$ADDRESS"
            line ROSTER_HOSTS "$SET_ROSTER_HOSTS"
            line ROSTER_TRUSTED_PROXIES "$SET_ROSTER_TRUSTED_PROXIES"
            line DB_HOST "$db_host"
            line DB_PORT "$DB_PORT"
            line DB_DATABASE "$SET_DB_DATABASE"
            line DB_PASSWORD "$db_password"
            line DB_OWNER_PASSWORD_FILE "$owner_file"
            [ "$SET_DB_POOLED" = no ] || line DB_POOLED true
            [ -z "$SET_DB_DIRECT" ] || line DB_DIRECT "$SET_DB_DIRECT"
            [ -z "$SET_REDIS_URL" ] || line REDIS_URL "$SET_REDIS_URL"
            [ -z "$SET_ROSTER_FILES" ] || line ROSTER_FILES "$SET_ROSTER_FILES"
            [ -z "$SET_FILES_FOLDER" ] || line FILES_FOLDER "$SET_FILES_FOLDER"
            [ -z "$SET_S3_BUCKET" ] || {
                line S3_KEY "$SET_S3_KEY"
                line S3_SECRET "$SET_S3_SECRET"
                line S3_REGION "$SET_S3_REGION"
                line S3_BUCKET "$SET_S3_BUCKET"
                [ -z "$SET_S3_ENDPOINT" ] || line S3_ENDPOINT "$SET_S3_ENDPOINT"
            }
            line MAIL_MAILER smtp
            line MAIL_HOST "$SET_MAIL_HOST"
            line MAIL_PORT "$SET_MAIL_PORT"
            line MAIL_SCHEME "$SET_MAIL_SCHEME"
            [ -z "$SET_MAIL_USERNAME" ] || line MAIL_USERNAME "$SET_MAIL_USERNAME"
            [ -z "$SET_MAIL_PASSWORD" ] || line MAIL_PASSWORD "$SET_MAIL_PASSWORD"
            line MAIL_FROM "$SET_MAIL_FROM"
            [ -z "$SET_ROSTER_METRICS_TOKEN" ] || line ROSTER_METRICS_TOKEN "$SET_ROSTER_METRICS_TOKEN"
            [ -z "$SET_FILE_SWITCHES" ] || line FILE_SWITCHES "$SET_FILE_SWITCHES"
        } > "$HOME_DIR/app.env.new"
    )
    close_settings
}

# As both a shell and the application read it.
line() { printf '%s="%s"\n' "$1" "$(printf '%s' "$2" | sed 's/[\\"$`]/\\&/g')"; }

# The house of the demo and of the tests, with stand-ins beside it.
lay_out() { # lay_out FIXED_NOW FIRST_PORT
    local fixed_now=$1 first=$2
    lay_folders
    STANDIN_TOKEN=$(keep_secret standin openssl rand -hex 24)
    php "$ROOT/bin/lib/ports.php" "$HOME_DIR/ports" "$first" WEB DB SWITCH CARRIER POST STUDIO
    # shellcheck disable=SC1091
    . "$HOME_DIR/ports"
    ADDRESS="http://127.0.0.1:$WEB_PORT"
    LISTEN="127.0.0.1:$WEB_PORT"
    SERVER_NAMES="127.0.0.1 localhost"
    HOST_PARAM='$host:$server_port'
    WEB_CHILDREN=4
    (
        umask 027
        cat > "$HOME_DIR/app.env.new" <<ENV
APP_ENV=production
APP_KEY=$APP_KEY
APP_URL=$ADDRESS
DB_PORT=$DB_PORT
DB_PASSWORD=$APP_PASSWORD
DB_OWNER_PASSWORD_FILE=$HOME_DIR/secrets/owner
ROSTER_FIXED_NOW=$fixed_now
ROSTER_DEMO=true
SWITCH_URL=http://127.0.0.1:$SWITCH_PORT
SWITCH_TOKEN=$STANDIN_TOKEN
CARRIER_URL=http://127.0.0.1:$CARRIER_PORT
CARRIER_TOKEN=$STANDIN_TOKEN
POST_URL=http://127.0.0.1:$POST_PORT
STUDIO_URL=http://127.0.0.1:$STUDIO_PORT
STUDIO_TOKEN=$STANDIN_TOKEN
ENV
    )
    close_settings
}

make_cluster() {
    CLUSTER="$HOME_DIR/cluster"
    local bin=/usr/lib/postgresql/15/bin
    if [ ! -f "$CLUSTER/PG_VERSION" ] || [ ! -f "$HOME_DIR/cluster.made" ]; then
        say "Making a database cluster ..."
        rm -rf "$CLUSTER"
        if [ "$(id -u)" = 0 ]; then
            install -d -m 0700 -o "$DB_USER" -g "$DB_USER" "$CLUSTER"
        else
            mkdir -m 0700 "$CLUSTER"
        fi
        (cd / && as "$DB_USER" "$bin/initdb" -D "$CLUSTER" -U postgres --auth-local=peer \
            --auth-host=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8) > "$LOGS/initdb.log" 2>&1 \
            || { tail -20 "$LOGS/initdb.log" >&2; die "the database cluster could not be made"; }
        : > "$HOME_DIR/cluster.made"
    fi
    local speed=""
    [ "$INSTANCE" = proof ] && speed=$'fsync = off\nsynchronous_commit = off\nfull_page_writes = off'
    cat > "$CLUSTER/postgresql.auto.conf" <<CONF
listen_addresses = '127.0.0.1'
port = $DB_PORT
unix_socket_directories = '$SOCKETS'
max_connections = 60
shared_buffers = 128MB
log_min_messages = warning
$speed
CONF
    # Peer for the superuser's own system user alone; everybody else, on the socket too, needs a password.
    cat > "$CLUSTER/pg_hba.conf" <<'CONF'
local all postgres peer map=house
local all all scram-sha-256
host all all 127.0.0.1/32 scram-sha-256
CONF
    echo "house $DB_USER postgres" > "$CLUSTER/pg_ident.conf"
    if [ "$(id -u)" = 0 ]; then
        chown "$DB_USER:$DB_USER" "$CLUSTER"/{postgresql.auto.conf,pg_hba.conf,pg_ident.conf}
    fi
}

write_web_server() {
    local user_line="" pool_user=""
    if [ "$(id -u)" = 0 ]; then
        user_line="user $WEB_USER;"
        pool_user=$'user = www-data\ngroup = www-data\nlisten.owner = www-data\nlisten.group = www-data'
    fi
    mkdir -p "$HOME_DIR/run/nginx"
    [ "$(id -u)" = 0 ] && chown "$WEB_USER" "$HOME_DIR/run/nginx"
    sed -e "s|@USER@|$user_line|" -e "s|@HOME@|$HOME_DIR|g" -e "s|@LISTEN@|$LISTEN|g" \
        -e "s|@NAMES@|$SERVER_NAMES|g" -e "s|@HOST@|$HOST_PARAM|g" \
        -e "s|@SERVED@|$SERVED|g" -e "s|@SOCKETS@|$SOCKETS|g" \
        "$ROOT/bin/lib/nginx.conf.in" > "$HOME_DIR/run/nginx.conf"
    local shared="pm.max_requests = 2000
; Nothing that somebody waits for takes longer; what does is ended, so that it holds no worker from the others.
request_terminate_timeout = 60s
clear_env = yes
env[ROSTER_HOME] = $HOME_DIR
env[DB_PERSISTENT] = true
catch_workers_output = yes
php_admin_value[expose_php] = off
php_admin_value[display_errors] = off
php_admin_value[log_errors] = on
php_admin_value[upload_max_filesize] = 20M
php_admin_value[post_max_size] = 21M
; A customer of 8,000 users, looked through for a year, takes 365 MB; one of 80 takes 20.
php_admin_value[memory_limit] = 512M
php_admin_value[max_execution_time] = 30
php_admin_value[opcache.memory_consumption] = 192
php_admin_value[opcache.max_accelerated_files] = 20000
php_admin_value[opcache.revalidate_freq] = 2"
    # Signing in has workers of its own: whatever is looked through elsewhere, the door opens.
    cat > "$HOME_DIR/run/fpm.conf" <<CONF
[global]
error_log = $HOME_DIR/logs/fpm.log
daemonize = no
[roster]
$pool_user
listen = $SOCKETS/fpm.sock
pm = static
pm.max_children = $WEB_CHILDREN
$shared
[door]
$pool_user
listen = $SOCKETS/door.sock
pm = static
pm.max_children = 2
$shared
CONF
}

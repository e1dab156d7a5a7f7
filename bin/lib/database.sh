#!/usr/bin/env bash
# Roles and database, made or put right: the owner that migrates, and the application's role that owns nothing.
# usage: database.sh ROOT INSTANCE DATABASE
ROOT=$1
. "$ROOT/bin/lib/house.sh"
find_places
choose_instance "$2"
. "$HOME_DIR/ports"
owner=$(cat "$HOME_DIR/secrets/owner")
app=$(cat "$HOME_DIR/secrets/app")
super -d postgres <<SQL
set client_min_messages = warning;
set password_encryption = 'scram-sha-256';
do \$\$ begin
    if not exists (select 1 from pg_roles where rolname = 'roster_owner') then create role roster_owner; end if;
    if not exists (select 1 from pg_roles where rolname = 'roster_app') then create role roster_app; end if;
end \$\$;
alter role roster_owner
    login nosuperuser nocreaterole nobypassrls 
    $([ "$INSTANCE" = proof ] && echo createdb || echo nocreatedb) password '$owner';
alter role roster_app set statement_timeout = '60s';
alter role roster_app set lock_timeout = '20s';
alter role roster_app set idle_in_transaction_session_timeout = '120s';
alter role roster_app login nosuperuser nocreatedb nocreaterole nobypassrls noinherit password '$app';
SQL
if [ -z "$(super -d postgres -Atc "select 1 from pg_database where datname = '$3'")" ]; then
    super -d postgres -c "create database $3 owner roster_owner"
fi
super -d "$3" <<SQL
revoke all on schema public from public;
alter schema public owner to roster_owner;
grant usage on schema public to roster_app;
revoke connect, temporary on database $3 from public;
grant connect on database $3 to roster_owner, roster_app;
SQL

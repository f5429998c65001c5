# Phones on this machine's own network: the real group over TLS, with a certificate authority made for these addresses alone.

lan_days=90

# The addresses this machine has on networks, one a line.
lan_all_addresses() {
    if [ -n "${COMPADRE_LAN_ADDRESSES:-}" ]; then
        tr ' ' '\n' <<<"$COMPADRE_LAN_ADDRESSES"
    else
        hostname -I | tr ' ' '\n' | grep -E '^[0-9]+(\.[0-9]+){3}$' | grep -v '^127\.' || true
    fi
}

# The one address phones reach this machine by: what else it is connected to hears nothing of the group. Chosen by lan_choose.
lan_addresses() { printf '%s\n' "$lan_address"; }

# lan_choose [ADDRESS]: the address that is named, or the only one there is.
lan_choose() {
    local all
    all="$(lan_all_addresses)"
    [ -n "$all" ] || fail "this machine has no network that a phone could join; connect it, or open its hotspot, then try again"
    if [ -n "${1:-}" ]; then
        grep -qxF "$1" <<<"$all" || fail "this machine has no address $1; it has $(paste -sd' ' <<<"$all")"
        lan_address="$1"
    elif [ "$(wc -l <<<"$all")" = 1 ]; then
        lan_address="$all"
    else
        fail "this machine is on several networks: name the one the phones are on, ./compadre up --lan ADDRESS, with one of $(paste -sd' ' <<<"$all")"
    fi
}

# Whether the certificate that lies there is for these addresses and good for another week.
lan_current() {
    local folder="$1" address
    [ -s "$folder/host.key" ] && openssl x509 -in "$folder/host.crt" -noout -checkend $((7 * 86400)) >/dev/null 2>&1 || return 1
    [ "$(cat "$folder/addresses" 2>/dev/null)" = "$(lan_addresses)" ]
}

# Makes an authority that may vouch for these addresses and nothing else, has it vouch for this machine once, and destroys its
# key: nobody, here or elsewhere, can make another certificate that the phones would trust by it.
lan_issue() {
    local folder="$1" work names="" allowed="" address
    while read -r address; do
        names="${names:+$names,}IP:$address"
        allowed="${allowed:+$allowed,}permitted;IP:$address/255.255.255.255"
    done < <(lan_addresses)
    mkdir -p "$folder"
    work="$(mktemp -d)"
    chmod 700 "$work"
    (
        umask 077
        cd "$work"
        openssl ecparam -name prime256v1 -genkey -noout -out ca.key
        # Names of hosts and mail are not permitted either: a name under .invalid is never anyone's.
        openssl req -x509 -new -key ca.key -sha256 -days "$lan_days" -subj "/CN=Compadre on $(hostname) $(date +%Y-%m-%d)" -out ca.crt \
            -addext 'basicConstraints=critical,CA:TRUE,pathlen:0' -addext 'keyUsage=critical,keyCertSign' \
            -addext "nameConstraints=critical,$allowed,permitted;DNS:compadre.invalid,permitted;email:compadre.invalid"
        openssl ecparam -name prime256v1 -genkey -noout -out host.key
        openssl req -new -key host.key -subj '/CN=Compadre' -out host.csr
        printf 'basicConstraints=critical,CA:FALSE\nkeyUsage=critical,digitalSignature\nextendedKeyUsage=serverAuth\nsubjectAltName=%s\n' "$names" >host.ext
        openssl x509 -req -in host.csr -CA ca.crt -CAkey ca.key -CAcreateserial -sha256 -days "$lan_days" -extfile host.ext -out host.crt
        if command -v shred >/dev/null; then shred -u ca.key; else rm -f ca.key; fi
    ) >"$folder/issue.log" 2>&1 || { rm -rf "$work"; fail "the certificate could not be made; see $folder/issue.log"; }
    mv "$work/ca.crt" "$work/host.crt" "$work/host.key" "$folder/"
    chmod 600 "$folder/host.key"
    chmod 644 "$folder/ca.crt" "$folder/host.crt"
    rm -rf "$work"
    lan_addresses >"$folder/addresses"
}

# Four lines of eight pairs, the same on the phone as on the laptop, to be compared line by line.
lan_fingerprint() { openssl x509 -in "$1/ca.crt" -noout -fingerprint -sha256 | sed 's/.*=//' | tr -d '\n' | sed 's/:/ /g' | fold -w 24 | sed 's/ $//'; }

# What a phone opens first, without TLS: the certificate, how to trust it, how to be rid of it. It holds nothing of the group.
lan_page() {
    local folder="$1" secure="$2" until
    until="$(date -d "$(openssl x509 -in "$folder/ca.crt" -noout -enddate | cut -d= -f2)" +%Y-%m-%d)"
    mkdir -p "$folder/join"
    cp "$folder/ca.crt" "$folder/join/compadre.crt"
    chmod 755 "$folder" "$folder/join"
    render ops/conf/join.html SECURE="$secure" UNTIL="$until" NAME="Compadre on $(hostname)" >"$folder/join/index.html"
}

# The part of nginx that answers on the network: lan_server FOLDER SOCKETS TLS-PORT JOIN-PORT.
lan_server() {
    local folder="$1" sockets="$2" tls="$3" join="$4" address listens="" joins="" hosts=""
    while read -r address; do
        listens="$listens listen $address:$tls ssl;"
        joins="$joins listen $address:$join;"
        hosts="${hosts:+$hosts|}${address//./\\.}"
    done < <(lan_addresses)
    render ops/conf/nginx-lan.conf FOLDER="$folder" APP="$(nginx_app "$sockets")" LISTENS="$listens" JOINS="$joins" HOSTS="$hosts" PORT="$tls"
}

# house_lan HOUSE [ADDRESS]: the house as it is, on the network too. An empty one is nobody's to set up from there.
house_lan() {
    local house="$1" dir folder sockets tls join address
    lan_choose "${2:-}"
    house_up "$house"
    dir="$(house_dir "$house")"
    folder="$dir/lan"
    house_artisan "$house" compadre:setup-state --quiet || fail "your group is not set up yet: open the address above on this machine first, then start with --lan. Nothing was opened to the network."
    lan_current "$folder" || lan_issue "$folder"
    tls="$(port_from 8443)"
    join="$(port_from 8480)"
    sockets="$(socket_dir "$dir")"
    address="$(lan_addresses | head -n 1)"
    lan_page "$folder" "https://$address:$tls/"
    lan_server "$folder" "$sockets" "$tls" "$join" >"$dir/run/lan.conf"
    # The door for phones is part of the same nginx, which is begun anew with it; the app takes their addresses for its own.
    lan_addresses | sed "s/\$/:$tls/" | paste -sd, >"$folder/domains"
    service_stop "$dir" nginx QUIT
    service_stop "$dir" fpm TERM
    house_start "$house"
    printf '\nPhones on this network:  http://%s:%s\n' "$address" "$join"
    printf 'Then the app itself at   https://%s:%s\n' "$address" "$tls"
    printf 'SHA-256 fingerprint of the certificate, to compare with what each phone itself shows of it:\n%s\n' "$(lan_fingerprint "$folder" | sed 's/^/  /')"
    [ ! -x node_modules/.bin/qrcode ] || node_modules/.bin/qrcode --small "http://$address:$join" || true
}

package org.pressboard.signin;

import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.regex.Pattern;

/** The network that an address is of: what one subscriber usually has (RFC 6177 for IPv6; common practice for IPv4). */
final class Networks {

    private static final int BYTES_OF_IPV4 = 3;
    private static final int BYTES_OF_IPV6 = 8;

    /** Nothing else is looked at, for a name would be asked of the network. */
    private static final Pattern ADDRESS = Pattern.compile("[0-9.]{7,15}|[0-9a-fA-F:.]*:[0-9a-fA-F:.]*");

    private Networks() {
    }

    static String of(String address) {
        String bare = address.replaceAll("%.*$", "");
        if (!ADDRESS.matcher(bare).matches()) {
            return address;
        }
        try {
            InetAddress parsed = InetAddress.getByName(bare);
            return Arrays.toString(Arrays.copyOf(parsed.getAddress(),
                    parsed instanceof Inet4Address ? BYTES_OF_IPV4 : BYTES_OF_IPV6));
        } catch (UnknownHostException noAddress) {
            return address;
        }
    }
}

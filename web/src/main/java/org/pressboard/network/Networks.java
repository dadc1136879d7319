package org.pressboard.network;

import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.regex.Pattern;

/** The network that an address is of: what one subscriber usually has (RFC 6177 for IPv6; common practice for IPv4). */
public final class Networks {

    private static final int BYTES_OF_IPV4 = 3;
    private static final int BYTES_OF_A_WHOLE_IPV4 = 4;
    private static final int BYTES_OF_IPV6 = 8;

    /** Nothing else is looked at, for a name would be asked of the network. */
    private static final Pattern ADDRESS = Pattern.compile("[0-9.]{7,15}|[0-9a-fA-F:.]*:[0-9a-fA-F:.]*");

    private Networks() {
    }

    public static String of(String address) {
        return cut(address, BYTES_OF_IPV4);
    }

    /** Whose address it is: of IPv6 a subscriber has a whole network of them, of IPv4 one. */
    public static String subscriber(String address) {
        return address.indexOf(':') < 0 ? address : cut(address, BYTES_OF_A_WHOLE_IPV4);
    }

    private static String cut(String address, int bytesOfIpv4) {
        String bare = address.replaceAll("%.*$", "");
        if (!ADDRESS.matcher(bare).matches()) {
            return address;
        }
        try {
            InetAddress parsed = InetAddress.getByName(bare);
            return Arrays.toString(Arrays.copyOf(parsed.getAddress(),
                    parsed instanceof Inet4Address ? bytesOfIpv4 : BYTES_OF_IPV6));
        } catch (UnknownHostException noAddress) {
            return address;
        }
    }
}

package org.jontrel.serve.web;

import jakarta.servlet.http.HttpServletRequest;
import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Arrays;

/** The address that requests are counted by. */
public final class ClientAddress {
    private static final int NETWORK_BYTES = 8;

    private ClientAddress() {}

    /** The sender's address; of IPv6 only the network, as each has as many addresses as it likes. */
    public static String of(HttpServletRequest request) {
        var text = request.getRemoteAddr();
        try {
            return InetAddress.ofLiteral(text) instanceof Inet6Address six
                    ? InetAddress.getByAddress(Arrays.copyOf(Arrays.copyOf(six.getAddress(), NETWORK_BYTES), 16))
                                    .getHostAddress()
                            + "/64"
                    : text;
        } catch (IllegalArgumentException | UnknownHostException _) {
            return text;
        }
    }
}

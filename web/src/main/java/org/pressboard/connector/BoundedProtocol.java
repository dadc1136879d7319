package org.pressboard.connector;

import org.apache.coyote.http11.Http11NioProtocol;

/** HTTP over {@link BoundedEndpoint}. Public, for the server makes it by its name. */
public final class BoundedProtocol extends Http11NioProtocol {

    private final BoundedEndpoint endpoint;

    public BoundedProtocol() {
        this(new BoundedEndpoint());
    }

    private BoundedProtocol(BoundedEndpoint endpoint) {
        super(endpoint);
        this.endpoint = endpoint;
    }

    BoundedEndpoint endpoint() {
        return endpoint;
    }

    void bound(Connections by) {
        endpoint.bound(by);
    }
}

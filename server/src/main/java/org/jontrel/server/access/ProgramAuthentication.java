package org.jontrel.server.access;

import java.util.List;
import org.springframework.security.authentication.AbstractAuthenticationToken;
import org.springframework.security.core.GrantedAuthority;

/** A program that came with a token. What it does stands under the token's name, with “(token)” behind it. */
final class ProgramAuthentication extends AbstractAuthenticationToken {
    private static final long serialVersionUID = 1;
    private final transient AccessTokens.AccessToken token;

    ProgramAuthentication(AccessTokens.AccessToken token) {
        super(List.<GrantedAuthority>of());
        this.token = token;
        setAuthenticated(true);
    }

    AccessTokens.AccessToken token() {
        return token;
    }

    @Override
    public Object getCredentials() {
        return "";
    }

    @Override
    public String getPrincipal() {
        return token.name() + " (token)";
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof ProgramAuthentication program && program.token.equals(token);
    }

    @Override
    public int hashCode() {
        return token.hashCode();
    }
}

package org.jontrel.site.generated;

import org.testng.annotations.DataProvider;

/** The servers that code for databases is tried on. */
public final class SqlServers {
    private SqlServers() {}

    @DataProvider(name = "servers")
    public static Object[][] servers() {
        return new Object[][] {{new MariaDbServer()}, {PostgreSqlServer.shared()}};
    }
}

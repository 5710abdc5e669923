package org.jontrel.site.testing;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.util.concurrent.atomic.AtomicInteger;
import javax.sql.DataSource;

/** A data source that counts the statements made over it. */
public final class StatementCounter {
    private final AtomicInteger statements = new AtomicInteger();
    private final DataSource source;

    public StatementCounter(DataSource of) {
        source = (DataSource) proxy(DataSource.class, of);
    }

    private Object proxy(Class<?> as, Object of) {
        return Proxy.newProxyInstance(as.getClassLoader(), new Class<?>[] {as}, (_, method, arguments) -> {
            if (method.getName().equals("prepareStatement") || method.getName().equals("createStatement")) {
                statements.incrementAndGet();
            }
            try {
                var result = method.invoke(of, arguments);
                return result instanceof Connection connection ? proxy(Connection.class, connection) : result;
            } catch (InvocationTargetException e) {
                throw e.getCause();
            }
        });
    }

    public DataSource source() {
        return source;
    }

    /** How many statements the work makes. */
    public int during(Runnable work) {
        int before = statements.get();
        work.run();
        return statements.get() - before;
    }
}

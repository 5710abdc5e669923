package org.jontrel.standalone;

import java.lang.reflect.Proxy;

/**
 * The signal HUP, by which a process is told to read its files again. The class of the JDK that knows signals is no part of its
 * API, and the compiler will not have it by name.
 */
final class ReloadSignal {
    private ReloadSignal() {}

    /** Whether it will come: a process that was started with it ignored, as by nohup, never gets it. */
    static boolean on(Runnable reload) {
        try {
            var signal = Class.forName("sun.misc.Signal");
            var handler = Class.forName("sun.misc.SignalHandler");
            var called = Proxy.newProxyInstance(handler.getClassLoader(), new Class<?>[] {handler}, (_, method, _) -> {
                if (method.getName().equals("handle")) {
                    reload.run();
                }
                return null;
            });
            var before = signal.getMethod("handle", signal, handler)
                    .invoke(null, signal.getConstructor(String.class).newInstance("HUP"), called);
            return before != handler.getField("SIG_IGN").get(null);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("This machine has no signal HUP", e);
        }
    }
}

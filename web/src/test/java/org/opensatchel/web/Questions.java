package org.opensatchel.web;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.jdbc.datasource.DelegatingDataSource;

/** Counts the statements that a thread has the database prepare, whichever way they are asked. */
public class Questions implements BeanPostProcessor {

    private static final ThreadLocal<Integer> ASKED = ThreadLocal.withInitial(() -> 0);

    /** How many of them it takes to do something, in this thread. */
    public static int of(Runnable doing) {
        int before = ASKED.get();
        doing.run();
        return ASKED.get() - before;
    }

    @Override
    public Object postProcessAfterInitialization(Object bean, String name) {
        return bean instanceof DataSource database ? new DelegatingDataSource(database) {
            @Override
            public Connection getConnection() throws SQLException {
                return counted(super.getConnection());
            }
        } : bean;
    }

    private static Connection counted(Connection connection) {
        return (Connection) Proxy.newProxyInstance(Questions.class.getClassLoader(), new Class<?>[]{Connection.class},
                (proxy, method, values) -> {
                    if (method.getName().equals("prepareStatement")) {
                        ASKED.set(ASKED.get() + 1);
                    }
                    try {
                        return method.invoke(connection, values);
                    } catch (InvocationTargetException thrown) {
                        throw thrown.getCause();
                    }
                });
    }
}

package com.example.cellar.support;

import java.util.HashMap;
import java.util.Map;

/** The services of all tables, by their types. */
public final class Services {
    private final Transactions transactions;
    private final Map<Class<?>, Object> services = new HashMap<>();

    Services(Transactions transactions) {
        this.transactions = transactions;
    }

    /** What the services work in. */
    public Transactions transactions() {
        return transactions;
    }

    /** Adds a service under its type, in the place of one that has been added before. */
    public <S> void add(Class<S> type, S service) {
        services.put(type, service);
    }

    /**
     * The service of a type.
     *
     * @throws IllegalStateException if no registration has added it
     */
    public <S> S get(Class<S> type) {
        if (!services.containsKey(type)) {
            throw new IllegalStateException("No registration adds a " + type.getSimpleName()
                    + ": is that of its table named in META-INF/services/" + Registration.class.getName() + "?");
        }
        return type.cast(services.get(type));
    }
}

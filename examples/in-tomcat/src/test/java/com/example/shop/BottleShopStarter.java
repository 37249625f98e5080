package com.example.shop;

import com.example.shop.stock.support.ServiceStarter;
import java.util.Map;
import org.apache.catalina.LifecycleException;

/** Starts the bottle shop for the generated tests. */
public final class BottleShopStarter implements ServiceStarter {
    private static BottleShop shop;

    /** The one that runs. */
    static BottleShop shop() {
        return shop;
    }

    @Override
    public Started start(Map<String, String> settings) {
        try {
            shop = BottleShop.start(settings, 0);
            return new Started() {
                @Override
                public String url() {
                    return shop.url() + "/stock";
                }

                @Override
                public void close() {
                    stop();
                }
            };
        } catch (LifecycleException e) {
            throw new IllegalStateException("The shop does not open.", e);
        }
    }

    private static void stop() {
        try {
            shop.close();
        } catch (LifecycleException e) {
            throw new IllegalStateException("The shop does not close.", e);
        }
    }
}

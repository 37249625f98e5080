package com.example.shop;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.shop.stock.support.ServiceUnderTest;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What people have written answers beside what was generated. Tomcat does not like a second one in its process. */
class SignTest {
    @RegisterExtension
    static final ServiceUnderTest SERVICE = ServiceUnderTest.touching();

    @Test
    void signAndStockAreInOneShop() throws IOException, InterruptedException {
        assertThat(get("/sign").body()).isEqualTo("Open until the last bottle");
        assertThat(get("/stock/bottles").statusCode()).isEqualTo(401);
        assertThat(SERVICE.api().get("/bottles").status()).isEqualTo(200);
    }

    private static HttpResponse<String> get(String path) throws IOException, InterruptedException {
        return HttpClient.newHttpClient().send(HttpRequest.newBuilder(URI.create(BottleShopStarter.shop().url() + path)).build(),
                HttpResponse.BodyHandlers.ofString());
    }
}

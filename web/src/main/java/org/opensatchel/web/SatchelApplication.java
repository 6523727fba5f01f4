package org.opensatchel.web;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;

/** The web application. */
@SpringBootApplication
@ConfigurationPropertiesScan
public class SatchelApplication {

    public static void main(String[] args) {
        SpringApplication.run(SatchelApplication.class, args);
    }
}

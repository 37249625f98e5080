package com.example.cellar.support;

/** An enum constant that the database stores as text. */
public interface CodedEnum {
    String code();
}

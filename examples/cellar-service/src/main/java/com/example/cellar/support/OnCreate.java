package com.example.cellar.support;

/** The validation group of rules for a new row only. */
public interface OnCreate {
}

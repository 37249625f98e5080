package com.example.cellar.support;

/** The validation group of rules for a row that is there already only. */
public interface OnReplace {
}

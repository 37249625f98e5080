package com.example.estate.labels;

/** What is glued on a bottle; written by hand. */
public record Label(String motif) {
}

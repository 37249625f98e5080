package dev.vinekit.source.view;

/**
 * What rows are called in running text.
 *
 * @param withArticle for example {@code a barrel}
 * @param plural for example {@code barrels}
 */
public record TitleView(DocText withArticle, DocText plural) {
}

//! The arrangements themselves: which kinds of pieces stand where.

use crate::page::{Frame, Kind, Purpose};

/// A band of an arrangement: the columns' widths in twelfths with the kinds that they hold, in order.
pub(super) struct Plan {
    pub ground: &'static str,
    pub stays: &'static str,
    /// Whether it stands close under the head and close over what follows.
    pub tight: bool,
    pub columns: &'static [(u8, &'static [Kind])],
}

/// An arrangement.
pub struct Starter {
    /// Its name in addresses.
    pub key: &'static str,
    /// Its name.
    pub name: &'static str,
    /// For what it is good, in a sentence.
    pub hint: &'static str,
    /// What it lays.
    pub purpose: Purpose,
    pub(super) frame: Frame,
    pub(super) plans: &'static [Plan],
}

const fn plan(columns: &'static [(u8, &'static [Kind])]) -> Plan {
    Plan { ground: "plain", stays: "none", tight: false, columns }
}
const CRUMBS: Plan =
    Plan { ground: "plain", stays: "none", tight: true, columns: &[(12, &[Kind::Breadcrumb])] };
const fn tinted(columns: &'static [(u8, &'static [Kind])]) -> Plan {
    Plan { ground: "tinted", stays: "none", tight: false, columns }
}

use Kind as K;

const TELL: &[Kind] =
    &[K::Text, K::ValuePoints, K::Comparison, K::Facts, K::SizeChart, K::PictureRow, K::Film, K::Picture];
const PROOF: &[Kind] = &[K::Reviews, K::Quotes];
const ASK: &[Kind] = &[K::Questions];
const MORE: &[Kind] = &[K::Related, K::Neighbours, K::StickyBar];

/// The arrangements, the most usual first.
pub const STARTERS: &[Starter] = &[
    Starter {
        key: "side-by-side",
        name: "Side by side",
        hint: "Pictures left, everything for buying right.",
        purpose: Purpose::Page,
        frame: Frame::Whole,
        plans: &[
            CRUMBS,
            plan(&[
                (7, &[K::Gallery]),
                (
                    5,
                    &[
                        K::RatingLine,
                        K::Title,
                        K::SkuLine,
                        K::Price,
                        K::PriceLadder,
                        K::Summary,
                        K::Siblings,
                        K::Options,
                        K::Plans,
                        K::PersonalText,
                        K::VariantList,
                        K::StockLine,
                        K::Quantity,
                        K::BuyButton,
                        K::PayShortcuts,
                        K::WishButton,
                        K::Promises,
                        K::ShareLinks,
                    ],
                ),
            ]),
            tinted(&[(12, &[K::Details])]),
            plan(&[(12, TELL)]),
            plan(&[(12, PROOF)]),
            tinted(&[(12, ASK)]),
            plan(&[(12, MORE)]),
        ],
    },
    Starter {
        key: "words-first",
        name: "Words first",
        hint: "Name and price before the pictures, for things that are bought by what they are.",
        purpose: Purpose::Page,
        frame: Frame::Whole,
        plans: &[
            CRUMBS,
            plan(&[
                (
                    5,
                    &[
                        K::Title,
                        K::RatingLine,
                        K::Summary,
                        K::Price,
                        K::PriceLadder,
                        K::Siblings,
                        K::Options,
                        K::Plans,
                        K::PersonalText,
                        K::VariantList,
                        K::Quantity,
                        K::BuyButton,
                        K::PayShortcuts,
                        K::WishButton,
                        K::StockLine,
                        K::Promises,
                        K::SkuLine,
                        K::ShareLinks,
                    ],
                ),
                (7, &[K::Gallery]),
            ]),
            plan(&[(6, &[K::Details]), (6, &[K::Facts, K::SizeChart])]),
            tinted(&[(12, &[K::Text, K::ValuePoints, K::Comparison, K::PictureRow, K::Film, K::Picture])]),
            plan(&[(12, PROOF)]),
            plan(&[(12, ASK)]),
            plan(&[(12, MORE)]),
        ],
    },
    Starter {
        key: "centred",
        name: "One column",
        hint: "Everything in the middle, in one line of reading, for a shop with few things.",
        purpose: Purpose::Page,
        frame: Frame::Whole,
        plans: &[
            CRUMBS,
            plan(&[
                (3, &[]),
                (
                    6,
                    &[
                        K::Title,
                        K::RatingLine,
                        K::Gallery,
                        K::Price,
                        K::PriceLadder,
                        K::Summary,
                        K::Siblings,
                        K::Options,
                        K::Plans,
                        K::PersonalText,
                        K::VariantList,
                        K::StockLine,
                        K::Quantity,
                        K::BuyButton,
                        K::PayShortcuts,
                        K::WishButton,
                        K::Promises,
                        K::SkuLine,
                        K::Details,
                        K::ShareLinks,
                    ],
                ),
                (3, &[]),
            ]),
            tinted(&[(12, TELL)]),
            plan(&[(2, &[]), (8, PROOF), (2, &[])]),
            plan(&[(2, &[]), (8, ASK), (2, &[])]),
            plan(&[(12, MORE)]),
        ],
    },
    Starter {
        key: "wide-picture",
        name: "Wide picture on top",
        hint: "A large picture first, then name, choice and button beside the story.",
        purpose: Purpose::Page,
        frame: Frame::Whole,
        plans: &[
            plan(&[(2, &[]), (8, &[K::Gallery]), (2, &[])]),
            CRUMBS,
            plan(&[
                (7, &[K::Title, K::RatingLine, K::Summary, K::Details, K::Text]),
                (
                    5,
                    &[
                        K::Price,
                        K::PriceLadder,
                        K::Siblings,
                        K::Options,
                        K::Plans,
                        K::PersonalText,
                        K::VariantList,
                        K::StockLine,
                        K::Quantity,
                        K::BuyButton,
                        K::PayShortcuts,
                        K::WishButton,
                        K::Promises,
                        K::SkuLine,
                        K::ShareLinks,
                    ],
                ),
            ]),
            tinted(&[(
                12,
                &[K::ValuePoints, K::Comparison, K::Facts, K::SizeChart, K::PictureRow, K::Film, K::Picture],
            )]),
            plan(&[(12, PROOF)]),
            plan(&[(12, ASK)]),
            plan(&[(12, MORE)]),
        ],
    },
    Starter {
        key: "buy-box-in-sight",
        name: "Buy box in sight",
        hint: "A long story on the left while price and button stay in sight on the right.",
        purpose: Purpose::Page,
        frame: Frame::Whole,
        plans: &[
            CRUMBS,
            Plan {
                ground: "plain",

                stays: "last",
                tight: false,
                columns: &[
                    (
                        8,
                        &[
                            K::Gallery,
                            K::Details,
                            K::Text,
                            K::ValuePoints,
                            K::Facts,
                            K::SizeChart,
                            K::Comparison,
                            K::PictureRow,
                            K::Film,
                            K::Picture,
                            K::Questions,
                        ],
                    ),
                    (
                        4,
                        &[
                            K::Title,
                            K::RatingLine,
                            K::Price,
                            K::PriceLadder,
                            K::Summary,
                            K::Siblings,
                            K::Options,
                            K::Plans,
                            K::PersonalText,
                            K::VariantList,
                            K::StockLine,
                            K::Quantity,
                            K::BuyButton,
                            K::PayShortcuts,
                            K::WishButton,
                            K::Promises,
                            K::SkuLine,
                            K::ShareLinks,
                        ],
                    ),
                ],
            },
            tinted(&[(12, PROOF)]),
            plan(&[(12, MORE)]),
        ],
    },
    Starter {
        key: "three-columns",
        name: "Three columns",
        hint: "What it is, how it looks, how to buy it: for spares and things with many facts.",
        purpose: Purpose::Page,
        frame: Frame::Whole,
        plans: &[
            CRUMBS,
            plan(&[
                (3, &[K::Title, K::RatingLine, K::Summary, K::SkuLine, K::Promises]),
                (5, &[K::Gallery]),
                (
                    4,
                    &[
                        K::Price,
                        K::PriceLadder,
                        K::Siblings,
                        K::Options,
                        K::Plans,
                        K::PersonalText,
                        K::VariantList,
                        K::StockLine,
                        K::Quantity,
                        K::BuyButton,
                        K::PayShortcuts,
                        K::WishButton,
                        K::ShareLinks,
                    ],
                ),
            ]),
            tinted(&[(6, &[K::Facts, K::SizeChart]), (6, &[K::Details])]),
            plan(&[(12, &[K::Text, K::ValuePoints, K::Comparison, K::PictureRow, K::Film, K::Picture])]),
            plan(&[(6, ASK), (6, PROOF)]),
            plan(&[(12, MORE)]),
        ],
    },
    Starter {
        key: "short",
        name: "Short and slim",
        hint: "One screen and nothing more, for gift cards, workshops and links from elsewhere.",
        purpose: Purpose::Page,
        frame: Frame::Slim,
        plans: &[
            plan(&[
                (5, &[K::Gallery]),
                (
                    7,
                    &[
                        K::Title,
                        K::RatingLine,
                        K::Price,
                        K::PriceLadder,
                        K::Summary,
                        K::Siblings,
                        K::Options,
                        K::Plans,
                        K::PersonalText,
                        K::VariantList,
                        K::StockLine,
                        K::Quantity,
                        K::BuyButton,
                        K::PayShortcuts,
                        K::WishButton,
                        K::Promises,
                        K::SkuLine,
                        K::Details,
                    ],
                ),
            ]),
            plan(&[(
                12,
                &[
                    K::Breadcrumb,
                    K::Text,
                    K::ValuePoints,
                    K::Facts,
                    K::SizeChart,
                    K::Comparison,
                    K::PictureRow,
                    K::Film,
                    K::Picture,
                    K::Reviews,
                    K::Quotes,
                    K::Questions,
                    K::ShareLinks,
                    K::Related,
                    K::Neighbours,
                    K::StickyBar,
                ],
            )]),
        ],
    },
];

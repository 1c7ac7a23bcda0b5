<?php

declare(strict_types=1);

namespace Somatrace\Core\Training;

/** A card put as a question with choices, and what is shown on the figure with it. */
final readonly class Question
{
    /**
     * @param  non-empty-list<array{id: string, label: string}>  $choices  in the order they are offered
     * @param  string  $right  the id of the right one
     * @param  string  $because  why it is right, for after the answer
     * @param  list<string>  $dots  landmarks shown as numbered points, in the order of the choices
     * @param  string|null  $view  of the figure on which the points lie
     * @param  list<string>  $zones  zones ringed on the figure
     */
    public function __construct(
        public Card $card,
        public string $ask,
        public array $choices,
        public string $right,
        public string $because,
        public array $dots,
        public ?string $view,
        public array $zones,
    ) {
    }
}

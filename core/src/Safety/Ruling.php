<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

/** What one rule says of a case: a verdict and how soon, limits, questions, offers. */
final readonly class Ruling
{
    /**
     * @param  list<Limit>  $limits
     * @param  list<Question>  $questions
     * @param  list<Offer>  $offers
     */
    public function __construct(
        public string $rule,
        public ?Verdict $verdict = null,
        public ?int $days = null,
        public array $limits = [],
        public array $questions = [],
        public array $offers = [],
        public string $reason = '',
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\Side;

/** What the differences between the sides add up to. */
final readonly class WholeReading
{
    /**
     * @param  Side|null  $leans  the side that more signs speak for; null where as many speak for each
     * @param  bool  $isEnough  so many more that it may be said
     * @param  list<WholeSign>  $for
     * @param  list<WholeSign>  $against
     * @param  list<WholeSign>  $open  not looked at, or on one side only
     */
    public function __construct(
        public ?Side $leans,
        public bool $isEnough,
        public array $for,
        public array $against,
        public array $open,
    ) {
    }

    public function busySide(): ?Side
    {
        return $this->isEnough ? $this->leans : null;
    }
}

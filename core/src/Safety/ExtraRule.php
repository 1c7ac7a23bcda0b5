<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\Data\Fields;
use Somatrace\Core\Safety\When\Condition;
use Somatrace\Core\Safety\When\Conditions;
use Somatrace\Core\Safety\When\Detail;

/** Something a condition or a medicine adds when a detail of it says so: weeks of pregnancy, a blood pressure, a swelling's trend. */
final readonly class ExtraRule
{
    /** @param  list<LimitTemplate>  $do */
    private function __construct(private Condition $when, public array $do)
    {
    }

    public static function from(Fields $row): self
    {
        return new self(Conditions::from($row->fields('when')), $row->map('do', LimitTemplate::from(...)));
    }

    /** @param  Intake  $intake  with the answer in hand */
    public function holds(Intake $intake): bool
    {
        return $this->when->holds($intake) === Answer::Yes;
    }

    /** When it adds something, for a reader of the rules. */
    public function words(): string
    {
        return $this->when instanceof Detail ? $this->when->words() : '';
    }

    /** @return list<string> the details it looks at */
    public function details(): array
    {
        return $this->when instanceof Detail ? $this->when->details() : [];
    }
}

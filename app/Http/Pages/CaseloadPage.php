<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\Caseload;
use App\Models\Right;
use App\Models\User;
use Carbon\CarbonImmutable;

/** Everybody in treatment who needs a thought, by what they need; the desk sees who is to be called and nothing of why. */
final readonly class CaseloadPage
{
    public function __construct(private Caseload $load)
    {
    }

    /**
     * @param  string  $of  `all`, or the visits of whoever asks
     * @return array<string, mixed>
     */
    public function of(User $user, string $of, CarbonImmutable $now): array
    {
        $clinical = $user->may(Right::ReadClinical);
        $by = $of === 'all' || ! $user->may(Right::WriteClinical) ? null : $user->id;
        $due = $this->load->due($user, $by, $now);

        return [
            'of' => $by === null ? 'all' : 'own', 'treats' => $user->may(Right::WriteClinical), 'clinical' => $clinical,
            'answered' => $clinical ? $this->load->answered($user, $by) : [],
            'stuck' => $clinical ? $this->load->stuck($user, $by, $now) : [],
            'unanswered' => $clinical ? $this->load->unanswered($user, $by, $now) : [],
            ...$due,
            'unsigned' => $clinical ? $this->load->unsigned($user, $by, $now) : [],
            'countersign' => $user->may(Right::Countersign) && $user->licensed ? $this->load->countersign($user) : [],
            'most' => Caseload::MOST,
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Visit;

/** A request about the visit of its route, by somebody who may change it. */
trait AboutVisit
{
    public function authorize(): bool
    {
        return $this->user()?->can('update', $this->visit()) === true;
    }

    public function visit(): Visit
    {
        $visit = $this->route('visit');

        return $visit instanceof Visit ? $visit : throw new \LogicException('this request belongs to a visit');
    }
}

<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Validation\Validator;

/** What is said of a field stands where it is asked, in English; it is looked up as every phrase is, before values are put into it. */
final class PhrasedValidator extends Validator
{
    /**
     * @param  string  $attribute
     * @param  string  $rule
     */
    protected function getMessage($attribute, $rule): string
    {
        return __(parent::getMessage($attribute, $rule));
    }
}

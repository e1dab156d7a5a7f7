<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Telephones\TelephoneView;
use Jaunty\Core\Telephones\Model;

/** Telephones as the contract has them. */
final class TelephoneResource
{
    /** @return array<string, mixed> */
    public static function of(TelephoneView $view): array
    {
        return [
            'models' => array_map(
                static fn (Model $model): array => [
                    'key' => $model->key, 'name' => $model->name, 'lines' => $model->lines, 'keys' => $model->keys,
                    'pages' => $model->pages, 'can' => $model->can,
                ],
                $view->models,
            ),
            'codes' => (object) $view->codes,
        ];
    }
}

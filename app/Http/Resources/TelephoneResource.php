<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Telephones\TelephoneView;
use Jaunty\Core\Telephones\Heard;
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
            'heard' => $view->heard === null ? null : array_map(self::heard(...), $view->heard),
            'readAt' => $view->readAt?->format(\DateTimeInterface::ATOM),
            'trouble' => $view->trouble,
            'secrets' => (object) $view->secrets,
        ];
    }

    /** @return array<string, mixed> */
    private static function heard(Heard $each): array
    {
        $at = $each->at();

        return [
            'device' => $each->device, 'state' => $each->state()->value,
            'at' => $at === null ? null : gmdate(\DateTimeInterface::ATOM, $at),
            'firmware' => $each->firmware, 'address' => $each->address, 'isCurrent' => $each->isCurrent,
        ];
    }
}

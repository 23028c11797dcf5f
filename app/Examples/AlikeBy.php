<?php

declare(strict_types=1);

namespace App\Examples;

/** By what things of a model are alike. */
enum AlikeBy: string
{
    /** the same type */
    case Type = 'type';
    /** exactly the same shape, however it stands */
    case Shape = 'shape';
    /** the same class, made of as many faces in the same order, of any size */
    case Form = 'form';
    case ThisClass = 'class';
    /** the same class, and what a property says */
    case Property = 'property';
    /** those that were touched */
    case Chosen = 'chosen';
}

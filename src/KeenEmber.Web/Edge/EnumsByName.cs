using KeenEmber.Core.Quantities;
using Microsoft.AspNetCore.Mvc.ModelBinding;

namespace KeenEmber.Web.Edge;

/// <summary>Binds members of enumerations by their names only: a number that happens to be one says nothing.</summary>
public sealed class EnumsByName : IModelBinderProvider
{
    public IModelBinder? GetBinder(ModelBinderProviderContext context)
    {
        var type = context.Metadata.UnderlyingOrModelType;
        return type.IsEnum && context.Metadata.ElementType is null
            ? (IModelBinder)Activator.CreateInstance(typeof(Binder<>).MakeGenericType(type))! : null;
    }

    private sealed class Binder<T> : IModelBinder
        where T : struct, Enum
    {
        public Task BindModelAsync(ModelBindingContext bindingContext)
        {
            var sent = bindingContext.ValueProvider.GetValue(bindingContext.ModelName);
            if (sent == ValueProviderResult.None)
                return Task.CompletedTask;
            bindingContext.ModelState.SetModelValue(bindingContext.ModelName, sent);
            if (string.IsNullOrEmpty(sent.FirstValue))
                return Task.CompletedTask;
            if (EnumName.Find<T>(sent.FirstValue) is { } member)
                bindingContext.Result = ModelBindingResult.Success(member);
            else
                bindingContext.ModelState.TryAddModelError(bindingContext.ModelName, "Not one of the choices.");
            return Task.CompletedTask;
        }
    }
}

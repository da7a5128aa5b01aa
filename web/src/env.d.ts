declare module "vuetify/styles";
